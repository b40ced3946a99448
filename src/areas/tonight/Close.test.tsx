import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { ClassPlanShown } from '../../contracts/views';
import { beginRun, EMPTY_BLOCK, itemKey, onwards, standsAt, type Block, type ClassPlan, type Run } from '../../core';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { freshLine } from '../../kit/mat/line';
import { CONDITION, HEEL, kitOf, student, technique } from '../../kit/mat/testing/kit';
import { Close } from './Close';
import type { TheGuests } from './useGuests';
import type { TheLine } from './useLine';

vi.mock(import('../../kit/deviceQueue/deviceQueue'), async (original) => ({ ...(await original()), put: vi.fn() }));
const kept = vi.mocked(put);

const kick = technique([HEEL], { name: 'Front kick' });
const stance = technique([HEEL], { id: '00000000-0000-7000-8000-000000000051', name: 'Front stance' });
const key = (t: typeof kick) => itemKey({ technique: t.id });
const kit = kitOf({
  techniques: [kick, stance],
  asked: [kick, stance].map((t) => ({
    rankId: '',
    itemKey: key(t),
    techniqueId: t.id,
    sequenceId: null,
    part: null,
    conditionId: CONDITION,
    purpose: null,
    repetitions: 10,
    name: t.name,
    group: 'Basics' as const,
  })),
});
const block = (id: string, minutes: number, ...of: (typeof kick)[]): Block => ({
  ...EMPTY_BLOCK,
  id,
  name: id,
  minutes,
  items: of.map((t) => ({ item: { technique: t.id }, conditionId: null })),
});
const plan: ClassPlan = {
  starts: 1110,
  minutes: 60,
  blocks: [block('Opening', 10), block('Kicks', 30, kick, stance), block('Forms', 20)],
};
const MINUTE = 60_000;
/** Twelve minutes of opening, twenty-five of kicks, no forms. */
const run: Run = [12 * MINUTE, 37 * MINUTE].reduce((r, at) => onwards(plan, r, at), beginRun(plan, 0, 60 * MINUTE));
const over = onwards(plan, run, 37 * MINUTE, true);
const [ilse, bram] = [student(1, 'Ilse Marrow'), student(2, 'Bram Oakes')];
const shown: ClassPlanShown = {
  id: 'class-1',
  day: kit.today,
  hallId: null,
  plan,
  run,
  closed: false,
  note: '',
  version: 3,
};

const line = (present: string[]) => {
  const change = vi.fn(() => Promise.resolve());
  const the = {
    line: { ...freshLine(kit.today), present },
    problem: '',
    change,
    people: [ilse, bram].filter((s) => present.includes(s.id)),
    expected: [ilse, bram],
    stateOf: (id: string) => (present.includes(id) ? 'here' : 'away'),
  };
  return { the: the as unknown as TheLine, change };
};
const onEnd = vi.fn();
function open(present: string[], more: Partial<Parameters<typeof Close>[0]> = {}) {
  const { the, change } = line(present);
  render(
    <Close
      kit={kit}
      shown={shown}
      run={over}
      standing={standsAt(plan, over, 37 * MINUTE)}
      closed={false}
      line={the}
      guests={{ guests: [] } as unknown as TheGuests}
      notes={[{ id: 'n', block: 'Kicks', said: 'low ceiling at the back' }]}
      onBack={null}
      onEnd={onEnd}
      {...more}
    />,
  );
  return { change };
}
const button = (name: string) => screen.getByRole('button', { name });

beforeEach(() => {
  kept.mockReset().mockResolvedValue(undefined);
  onEnd.mockReset();
});

describe('the close of a class', () => {
  it('says who was here, who missed it, and what each block took of what it was given', () => {
    open([ilse.id]);
    expect(screen.getByText('1 was here; Bram missed it.')).toBeTruthy();
    const spent = screen.getAllByRole('listitem').map((l) => l.textContent);
    expect(spent.slice(0, 3)).toEqual(['Opening 12 min, planned 10', 'Kicks 25 min, planned 30', 'Forms skipped']);
    expect(screen.getByText('low ceiling at the back', { exact: false })).toBeTruthy();
  });

  it('of several with a guest, and of nobody', () => {
    open([ilse.id, bram.id], { guests: { guests: [{ id: 'g' }] } as unknown as TheGuests });
    expect(screen.getByText('2 were here, and 1 guest.')).toBeTruthy();
    open([]);
    expect(screen.getByText('0 were here; Ilse, Bram missed it.')).toBeTruthy();
  });

  it('keeps what was taught without what is ticked off, ends the clock, and closes with the note', async () => {
    const { change } = open([ilse.id]);
    const taught = within(screen.getByRole('group', { name: 'Taught' }));
    fireEvent.click(taught.getByLabelText('Front stance'));
    fireEvent.change(screen.getByLabelText('To remember'), { target: { value: 'slower next week' } });
    fireEvent.click(button('Close the class'));
    expect(await screen.findByText(/^The class is closed\. Whoever was away/)).toBeTruthy();
    expect(onEnd).toHaveBeenCalledTimes(1);
    expect(change.mock.calls).toEqual([[{ items: [key(kick)] }]]);
    expect(kept.mock.calls[0]![0]).toMatchObject({
      name: 'class.close',
      input: { id: 'class-1', note: 'slower next week' },
      open: false,
    });
    expect(screen.queryByRole('button', { name: 'Close the class' })).toBeNull();
    expect(screen.getByRole('link', { name: 'To the plan' })).toBeTruthy();
  });

  it('closed before its time, what never came to its turn is not taken for taught, and can be said', async () => {
    const early = { ...plan, blocks: [block('Opening', 10, stance), block('Kicks', 30, kick), block('Forms', 20)] };
    const { change } = open([ilse.id], {
      shown: { ...shown, plan: early },
      run: beginRun(early, 0, 60 * MINUTE),
      standing: standsAt(early, beginRun(early, 0, 60 * MINUTE), 7 * MINUTE),
    });
    const spent = screen.getAllByRole('listitem').map((l) => l.textContent);
    expect(spent.slice(0, 3)).toEqual(['Opening 7 min, planned 10', 'Kicks not reached', 'Forms not reached']);
    const taught = within(screen.getByRole('group', { name: 'Taught' }));
    expect(taught.getAllByRole('checkbox').map((c) => (c as HTMLInputElement).checked)).toEqual([true, false]);
    // Where nobody moved the clock on, one tap says that it all was.
    fireEvent.click(taught.getByRole('button', { name: 'All that was planned' }));
    expect(taught.queryByRole('button')).toBeNull();
    fireEvent.click(taught.getByLabelText('Front stance'));
    fireEvent.click(button('Close the class'));
    await waitFor(() => expect(change.mock.calls).toEqual([[{ items: [key(kick)] }]]));
  });

  it('a device without room says so, and it can be closed again', async () => {
    kept.mockRejectedValueOnce(new Error('This device has no room left.'));
    open([ilse.id]);
    fireEvent.change(screen.getByLabelText('To remember'), { target: { value: 'slower next week' } });
    fireEvent.click(button('Close the class'));
    await waitFor(() => expect(screen.getByRole('alert').textContent).toBe('This device has no room left.'));
    expect(screen.queryByText(/^The class is closed/)).toBeNull();
    fireEvent.click(button('Close the class'));
    expect(await screen.findByText(/^The class is closed/)).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toBe('');
    expect(kept.mock.calls[1]![0].input).toMatchObject({ note: 'slower next week' });
  });

  it('goes on while it may, and closed by somebody else nothing of it changes any more', () => {
    const onBack = vi.fn();
    open([ilse.id], { onBack });
    fireEvent.click(button('It goes on'));
    expect(onBack).toHaveBeenCalledTimes(1);
    open([ilse.id], { closed: true, shown: { ...shown, note: 'as it was' } });
    const note = screen.getAllByLabelText('To remember').at(-1)!;
    expect(note).toMatchObject({ value: 'as it was', disabled: true });
    expect(screen.getByText('This class is closed.')).toBeTruthy();
    expect(screen.getAllByRole('button', { name: 'Close the class' })).toHaveLength(1);
  });
});
