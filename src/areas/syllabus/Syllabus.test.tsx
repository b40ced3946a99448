import { act, fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { SyllabusView } from '../../contracts/views';
import { itemKey, NOTHING_KNOWN, type Syllabus as Body } from '../../core';
import { asks, CONDITIONS, RANKS, syllabus, thread } from '../../core/syllabus/builders';
import { flush, letGo, waitingIn } from '../../kit/deviceQueue/deviceQueue';
import { doneAs, idIn, shown } from '../../kit/testing/server';
import Syllabus from './Syllabus';
import { cellId } from './Weave';

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
  today: '2026-03-05',
  ...more,
});
const me = { id: '0197f3a0-0000-7000-8000-00000000000b', name: 'Maren' };
let edits: { op: string }[][] = [];
beforeEach(async () => {
  for (const c of await waitingIn('draft', me.id)) await letGo(c.id);
  edits = [];
  vi.stubGlobal(
    'ResizeObserver',
    class {
      observe = () => undefined;
      disconnect = () => undefined;
    },
  );
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
