import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SyllabusView } from '../../contracts/views';
import { itemKey, NOTHING_KNOWN, type Syllabus as Body } from '../../core';
import { asks, CONDITIONS, RANKS, syllabus, thread } from '../../core/syllabus/testing/builders';
import { flush, letGo, waitingIn } from '../../kit/deviceQueue/deviceQueue';
import { doneAs, idIn, shown } from '../../kit/testing/server';
import Syllabus from './Syllabus';
import { cellId } from './WeaveRow';

const cloth = { colour: '#FFFFFF', second: null, stripe: null, bars: 0 };
const body = syllabus({
  threads: [thread('kick'), thread('punch')],
  requirements: [asks('kick', RANKS[1]!.id)],
});
const viewOf = (s: Body, more: Partial<SyllabusView> = {}): SyllabusView => ({
  ranks: RANKS.map((r) => ({ ...r, cloth, wornBy: 0, version: 1 })),
  conditions: CONDITIONS.map((c) => ({ ...c, version: 1 })),
  syllabus: s,
  version: 3,
  over: null,
  changedOn: null,
  changedBy: null,
  versions: [],
  items: s.threads.map((t) => ({
    ...NOTHING_KNOWN,
    key: itemKey(t.item),
    item: t.item,
    name: `the ${t.id}`,
    group: 'Basics',
  })),
  others: [],
  halls: [],
  store: [],
  today: '2026-03-05',
  ...more,
});
const me = { id: '0197f3a0-0000-7000-8000-00000000000b', name: 'Maren' };
let edits: { op: string }[][] = [];
beforeEach(async () => {
  for (const c of await waitingIn('draft', me.id)) await letGo(c.id);
  edits = [];
  vi.stubGlobal('fetch', (path: string, init?: RequestInit) => {
    if (path.startsWith('/api/views/')) return Promise.resolve(shown(viewOf(body)));
    const said = JSON.parse(init?.body as string) as { input: { edits?: { op: string }[] } };
    edits.push(said.input.edits ?? []);
    return Promise.resolve(doneAs(idIn(init), { version: 3 + edits.length }));
  });
});
afterEach(() => act(() => flush(me.id)));
const open = (view = viewOf(body), mayChange = true) => {
  render(<Syllabus view={view} me={me} mayChange={mayChange} rankId={null} />);
  return userEvent.setup({ delay: null });
};
const cell = (threadId: string, at: number) => document.getElementById(cellId({ threadId, at }))!;

describe('the way', () => {
  it('says what its signs mean', () => {
    open();
    const legend = document.querySelector<HTMLElement>('.legend')!;
    for (const word of ['introduced', 'trained']) expect(within(legend).getByText(word, { exact: false })).toBeTruthy();
  });

  it('an empty way leads to its first item, or to the library', () => {
    open(viewOf(syllabus({ threads: [], requirements: [] })));
    expect(screen.getByText('Nothing is on the way yet.')).toBeTruthy();
    expect(screen.getByRole('link', { name: 'Write the first technique' })).toBeTruthy();
    expect(document.querySelector('.legend')).toBeNull();
  });

  it('T tests what the keys stand on, the change is sent, and Ctrl+Z takes it back', async () => {
    open();
    const at = cell('punch', 2);
    act(() => at.focus());
    fireEvent.keyDown(at, { key: 't' });
    await waitFor(() => expect(edits.flat().map((e) => e.op)).toEqual(['requirement.put']));
    expect(await screen.findByRole('button', { name: 'undo' })).toBeTruthy();
    fireEvent.keyDown(cell('punch', 2), { key: 'z', ctrlKey: true });
    await waitFor(() => expect(edits.length).toBe(2));
    expect(screen.queryByRole('button', { name: 'undo' })).toBeNull();
  });

  it('arrows go along; Enter opens what is there, or begins it', async () => {
    open();
    act(() => cell('kick', 0).focus());
    fireEvent.keyDown(cell('kick', 0), { key: 'ArrowRight' });
    await waitFor(() => expect(document.activeElement?.id).toBe(cellId({ threadId: 'kick', at: 1 })));
    fireEvent.keyDown(cell('kick', 1), { key: 'Enter' });
    expect(await screen.findByRole('button', { name: /take it away|untest|no longer/i })).toBeTruthy();
  });

  it('whoever may not change it finds no tools, and keys change nothing', () => {
    open(viewOf(body), false);
    expect(screen.queryByRole('button', { name: 'Add an item' })).toBeNull();
    fireEvent.keyDown(cell('punch', 2), { key: 't' });
    expect(edits).toEqual([]);
    expect(screen.queryByRole('button', { name: 'undo' })).toBeNull();
  });

  it('each tool opens its sheet, one at a time', async () => {
    const user = open();
    for (const name of ['Add a belt', 'Conditions', 'Ages, equipment, standards', 'Versions']) {
      await user.click(screen.getByRole('button', { name }));
      expect(document.querySelectorAll('aside .sheet, aside form, aside section').length).toBeGreaterThan(0);
    }
  });
});

describe('several at once', () => {
  it('an item is tested again at other belts, as its last test asks it', async () => {
    const user = open();
    fireEvent.keyDown(cell('kick', -1), { key: 'Enter' });
    await user.click(await screen.findByRole('button', { name: 'Test it again at other belts' }));
    const again = within(screen.getByRole('group', { name: /Test it again/ }));
    // The belt that tests it already is not offered.
    expect(again.queryByLabelText(RANKS[1]!.name)).toBeNull();
    await user.click(again.getByLabelText(RANKS[2]!.name));
    await user.click(again.getByLabelText(RANKS[0]!.name));
    await user.click(again.getByRole('button', { name: 'Test it there' }));
    await waitFor(() => expect(edits).toHaveLength(1));
    const [first] = body.requirements;
    expect(edits[0]).toMatchObject(
      [RANKS[0]!, RANKS[2]!].map((r) => ({
        op: 'requirement.put',
        requirement: { threadId: 'kick', rankId: r.id, standard: first!.standard, conditionId: first!.conditionId },
      })),
    );
  });

  it('checks of one kind are left with one reason; what can hurt one by one', async () => {
    // Trained and never tested, each of them.
    const many = syllabus({ threads: [thread('a'), thread('b'), thread('c')], requirements: [] });
    const user = open(viewOf(many));
    const before = (await screen.findAllByRole('button', { name: /^Leave it:/ })).length;
    await user.click(screen.getAllByRole('button', { name: /^Leave it:/ })[0]!);
    const box = screen.getByRole('checkbox', { name: /others? of this kind, for the same reason/ });
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    expect(await screen.findByText('Say why: it is kept with it.')).toBeTruthy();
    await user.click(box);
    await user.type(screen.getByLabelText('Why it may stay'), 'we teach it so');
    await user.click(screen.getByRole('button', { name: 'Leave it' }));
    await waitFor(() => expect(edits).toHaveLength(1));
    const waived = edits[0] as unknown as { op: string; key: string; reason: string }[];
    expect(waived.length).toBeGreaterThan(1);
    expect(new Set(waived.map((e) => `${e.op} ${e.reason}`))).toEqual(new Set(['waive we teach it so']));
    expect(new Set(waived.map((e) => e.key)).size).toBe(waived.length);
    expect(screen.queryAllByRole('button', { name: /^Leave it:/ }).length).toBe(before - waived.length);
  });
});
