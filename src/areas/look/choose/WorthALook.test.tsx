import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import type { LookKitView, WorthShown } from '../../../contracts/views';
import { freshLine, itemsOf, type Line } from '../../../kit/mat/line';
import { CONDITION, HEEL, kitOf, point, student, technique } from '../../../kit/mat/testing/kit';
import { WorthALook } from './WorthALook';

const stance = technique([HEEL], { id: '00000000-0000-7000-8000-000000000051', name: 'Front stance', kind: 'stance' });
const kick = technique([point(5, 'Foot passes the knee')], { name: 'Front kick' });
const people = ['Ilse Marrow', 'Bram Oakes', 'Noor Saltby'];
const of = [stance, kick];
const worth = (t: typeof kick, stands: number, more: Partial<WorthShown> = {}): WorthShown => ({
  r: of.indexOf(t),
  word: 'close',
  reason: `${t.points[0]!.name} held in 7 of the last 10.`,
  freshUntil: null,
  settles: stands,
  hurts: false,
  points: [0, 0, 200, 1000 * stands],
  ...more,
});
const [ilse, bram, noor] = [worth(stance, 0.8), worth(stance, 0.7), worth(kick, 0.4, { hurts: true })].map((w, i) =>
  student(i, people[i]!, { worths: [w] }),
);
const asked = (of: typeof kick, group: 'Basics' | 'Partner'): LookKitView['asked'][number] => ({
  rankId: '',
  itemKey: `t:${of.id}`,
  techniqueId: of.id,
  sequenceId: null,
  part: null,
  conditionId: CONDITION,
  purpose: null,
  repetitions: 10,
  name: of.name,
  group,
});
const kit = kitOf({
  students: [ilse!, bram!, noor!],
  techniques: [stance, kick],
  asked: [asked(stance, 'Basics'), asked(kick, 'Partner')],
  requirements: of.map((t) => ({ id: `r-${t.id}`, itemKey: `t:${t.id}`, conditionId: CONDITION, seconds: 40 })),
  points: Object.fromEntries(
    of.map((t) => [`t:${t.id}`, t.points.map((p) => ({ id: p.id, name: p.name, kind: p.kind, hurts: false }))]),
  ),
  gradingDay: '2026-04-01',
});
function open(people = [ilse!, bram!, noor!], more: Partial<Line> = {}) {
  const on = { plan: vi.fn(), look: vi.fn() };
  const line = { ...freshLine(kit.today), present: people.map((p) => p.id), ...more };
  render(<WorthALook kit={kit} items={itemsOf(kit)} people={people} line={line} onPlan={on.plan} onLook={on.look} />);
  return { ...on, user: userEvent.setup({ delay: null }) };
}
const list = () => screen.queryAllByRole('listitem').map((li) => li.textContent);

describe('what is worth a look', () => {
  it('a sweep that settles several stands before single looks, what can hurt says so', () => {
    open();
    expect(list()[0]).toMatch(/^The line Front stance: heel down, leftOne sweep could settle Ilse and Bram\.Sweep$/);
    expect(list().find((t) => t?.includes('Noor'))).toMatch(/Can hurt\. Foot passes the knee held in 7 of the last 10/);
  });

  it('is only about those who are here', () => {
    open([noor!]);
    expect(list()).toHaveLength(1);
    expect(list()[0]).toMatch(/^Noor Saltby/);
  });

  it('says what to do where nobody is here, and that nothing is open where nothing is', () => {
    open([]);
    expect(screen.getByText(/^Tap who is on the line/)).toBeTruthy();
    open([noor!], { done: [`${noor!.id} t:${kick.id}`] });
    expect(screen.getByText('Nothing more is open for those who are here.')).toBeTruthy();
  });

  it('offers what tonight shows: by groups, or by the very items', async () => {
    const { user, plan } = open(undefined, { plan: ['Partner'] });
    expect(list()).toHaveLength(1);
    await user.click(screen.getByRole('checkbox', { name: 'Basics' }));
    expect(plan).toHaveBeenLastCalledWith({ plan: null });
    await user.click(screen.getByRole('button', { name: 'Only some' }));
    await user.click(screen.getByRole('combobox', { name: 'Tonight shows' }));
    await user.click(within(screen.getByRole('listbox')).getByRole('option', { name: 'Front stance' }));
    expect(plan).toHaveBeenLastCalledWith({ items: [`t:${stance.id}`] });
  });

  it('where single items are chosen the groups step back, and each can be let go again', async () => {
    const { user, plan } = open(undefined, { plan: ['Partner'], items: [`t:${stance.id}`] });
    expect(list().length).toBeGreaterThan(0);
    expect(list().every((t) => t?.includes('Front stance'))).toBe(true);
    expect(screen.queryByRole('checkbox', { name: 'Basics' })).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Not only Front stance' }));
    expect(plan).toHaveBeenLastCalledWith({ items: [] });
  });

  it('a tap begins with it', async () => {
    const { user, look } = open([noor!]);
    await user.click(screen.getByRole('button', { name: /^White.*Noor|Noor/ }));
    expect(look).toHaveBeenCalledWith(expect.objectContaining({ kind: 'card', studentIds: [noor!.id] }));
  });
});
