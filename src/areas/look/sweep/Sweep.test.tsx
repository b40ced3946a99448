import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import type { LookWritten } from '../../../contracts/look';
import type { EarlierMarksView } from '../../../contracts/views';
import { put as realPut } from '../../../kit/deviceQueue/deviceQueue';
import { shown } from '../../../kit/testing/server';
import { Sweep } from './Sweep';
import { BASE, CONDITION, HEEL, kitOf, student, technique } from '../../../kit/mat/testing/kit';

vi.mock(import('../../../kit/deviceQueue/deviceQueue'), async (read) => ({ ...(await read()), put: vi.fn() }));
const put = vi.mocked(realPut);
const looks = () => put.mock.calls.map(([c]) => c.input as LookWritten);

const [ilse, bram, noor] = ['Ilse Marrow', 'Bram Oakes', 'Noor Saltby'].map((n, i) => student(i, n));
const waived = { ...bram!, waived: [HEEL.id] };
let earlier: EarlierMarksView['marks'] = [];
beforeEach(() => {
  put.mockReset().mockResolvedValue(undefined);
  localStorage.clear();
  earlier = [];
  vi.stubGlobal('fetch', () => Promise.resolve(shown({ marks: earlier, whose: null, at: '2026-03-05T18:00:00Z' })));
});
function open(more: Partial<Parameters<typeof Sweep>[0]> = {}) {
  const on = { arrive: vi.fn(), swept: vi.fn(), side: vi.fn() };
  const kick = technique([HEEL, BASE]);
  const view = render(
    <Sweep
      kit={kitOf({ students: [ilse!, bram!, noor!], techniques: [kick] })}
      line={[ilse!, waived, noor!]}
      technique={kick}
      point={HEEL}
      conditionId={CONDITION}
      side="left"
      leftHanded={false}
      away={[]}
      late={{}}
      onArrive={on.arrive}
      onSwept={on.swept}
      onHand={vi.fn()}
      onSide={on.side}
      onNextPoint={vi.fn()}
      onEnd={vi.fn()}
      {...more}
    />,
  );
  return { ...on, ...view, user: userEvent.setup({ delay: null }) };
}
const row = (name: RegExp) => within(screen.getByRole('list', { name: 'The line' })).getByRole('button', { name });
const key = (name: string | RegExp) =>
  within(screen.getByRole('region', { name: 'Mark' })).getByRole('button', { name });

describe('a sweep along the line', () => {
  it('one tap a person: marks and moves on, past whoever is not asked', async () => {
    const { user, swept } = open();
    expect(row(/Bram Oakes: not asked/)).toBeTruthy();
    await user.click(key('Held'));
    await screen.findByText('1 of 3 marked');
    expect(row(/Noor/).getAttribute('aria-current')).toBe('true');
    await user.click(key('Slipped'));
    await screen.findByText('2 of 3 marked');
    expect(looks()).toMatchObject([
      { studentId: ilse!.id, side: 'left', marks: [{ pointId: HEEL.id, held: 1, of: 1 }], replaces: null },
      { studentId: noor!.id, marks: [{ held: 0, of: 1 }] },
    ]);
    expect(swept).toHaveBeenCalled();
  });

  it('a correction replaces the look, and undoing gives it back; nothing is ever taken out', async () => {
    const { user } = open();
    await user.keyboard('h');
    await screen.findByText('1 of 3 marked');
    await user.keyboard('{ArrowUp}{ArrowUp}s');
    await waitFor(() => expect(row(/Ilse Marrow: slipped/)).toBeTruthy());
    await user.click(screen.getByRole('button', { name: 'Undo: Ilse slipped, was held' }));
    await waitFor(() => expect(row(/Ilse Marrow: held/)).toBeTruthy());
    const [first, second, third] = looks();
    expect([second!.replaces, third!.replaces]).toEqual([first!.id, second!.id]);
    expect(third!.marks).toMatchObject([{ held: 1 }]);
  });

  it('more than one each takes digits, by keys and by thumb', async () => {
    const { user } = open();
    await user.click(screen.getByRole('button', { name: 'One repetition more' }));
    await user.click(screen.getByRole('button', { name: 'One repetition more' }));
    await user.keyboard('2');
    await waitFor(() => expect(row(/Ilse Marrow: 2 of 3/)).toBeTruthy());
    expect(looks()).toMatchObject([{ marks: [{ held: 2, of: 3 }] }]);
    // And by thumb, without a keyboard.
    await user.click(within(screen.getByRole('group', { name: 'How many of 3 held?' })).getByText('1'));
    await waitFor(() => expect(row(/Noor Saltby: 1 of 3/)).toBeTruthy());
  });

  it('shows what is stored, whatever the counter says, also when it is opened again', async () => {
    const first = open();
    await first.user.click(screen.getByRole('button', { name: 'One repetition more' }));
    await first.user.click(screen.getByRole('button', { name: 'One repetition more' }));
    await first.user.keyboard('h');
    await waitFor(() => expect(row(/Ilse Marrow: 3 of 3/)).toBeTruthy());
    first.unmount();
    const { user } = open();
    expect(screen.getByText('one each')).toBeTruthy();
    expect(row(/Ilse Marrow: 3 of 3/)).toBeTruthy();
    await user.keyboard('h');
    await waitFor(() => expect(row(/Noor Saltby: held/)).toBeTruthy());
    expect(row(/Ilse Marrow: 3 of 3/)).toBeTruthy();
  });

  it('opened again later it asks: the same pass, or a new look at everybody', async () => {
    const first = open();
    await first.user.keyboard('h');
    await screen.findByText('1 of 3 marked');
    first.unmount();
    vi.setSystemTime(Date.now() + 20 * 60_000);
    const second = open();
    const asking = () => within(screen.getByRole('region', { name: 'Go on, or look again?' }));
    expect(asking().getByText(/1 of 3 were marked in the first pass/)).toBeTruthy();
    // No key marks anybody before that is said.
    await second.user.keyboard('s');
    expect(row(/Noor Saltby: not seen/)).toBeTruthy();
    await second.user.click(asking().getByRole('button', { name: 'Go on with it' }));
    expect(row(/Ilse Marrow: held/)).toBeTruthy();
    second.unmount();
    const third = open();
    await third.user.click(asking().getByRole('button', { name: 'Look again' }));
    expect(screen.getByText('Second pass along the line')).toBeTruthy();
    await third.user.keyboard('h');
    await waitFor(() => expect(looks()).toHaveLength(2));
    expect(looks()[1]!.replaces).toBeNull();
    vi.useRealTimers();
  });

  it('after a correction the next who is not marked is lit, and what was overwritten is said', async () => {
    const { user } = open({ line: [ilse!, bram!, noor!] });
    await user.keyboard('hh');
    await screen.findByText('2 of 3 marked');
    await user.keyboard('{ArrowUp}{ArrowUp}');
    expect(screen.getByText(/Marked: held; a key changes it/)).toBeTruthy();
    await user.keyboard('s');
    await screen.findByRole('button', { name: 'Undo: Ilse slipped, was held' });
    expect(row(/Noor/).getAttribute('aria-current')).toBe('true');
    await user.keyboard('h');
    await screen.findByText('3 of 3 marked');
    expect(row(/Bram Oakes: held/)).toBeTruthy();
  });

  it('what the device cannot keep is not shown as taken', async () => {
    put.mockRejectedValue(new Error('This device has no room left. The mark was not taken.'));
    const { user } = open();
    await user.keyboard('h');
    expect(await screen.findByText(/no room left/)).toBeTruthy();
    expect(row(/Ilse Marrow: not seen/)).toBeTruthy();
    expect(screen.getByText('0 of 3 marked')).toBeTruthy();
  });

  it('goes on where it was after a reload, and begins a new pass clean', async () => {
    const first = open();
    await first.user.keyboard('h');
    await screen.findByText('1 of 3 marked');
    first.unmount();
    const { user } = open();
    expect(row(/Ilse Marrow: held/)).toBeTruthy();
    expect(row(/Noor/).getAttribute('aria-current')).toBe('true');
    await user.click(screen.getByRole('button', { name: 'Next pass' }));
    expect(screen.getByText('Second pass along the line')).toBeTruthy();
    expect(screen.getByText('0 of 3 marked')).toBeTruthy();
  });

  it('what another watcher marked today stands beside the name, theirs and ours both count', async () => {
    const mark = {
      studentId: noor!.id,
      pointId: HEEL.id,
      side: 'left' as const,
      conditionId: CONDITION,
      held: 0,
      of: 1,
    };
    earlier = [{ ...mark, day: '2026-03-05', lookId: 'x', by: 'Idris Vane' }];
    open();
    expect(await screen.findByText('Idris: slipped')).toBeTruthy();
    expect(row(/Noor Saltby: not seen/)).toBeTruthy();
  });

  it('a measured point keeps the measure, by the key that fits it', async () => {
    const { user } = open({ point: BASE });
    // Nobody has measured yet: neither key takes what nobody said, nor does a key of the keyboard.
    expect(screen.getByLabelText('Measured, in °')).toHaveProperty('value', '');
    expect(key(/^Held/)).toHaveProperty('disabled', true);
    expect(key(/^Slipped/)).toHaveProperty('disabled', true);
    await user.keyboard('hs');
    expect(looks()).toEqual([]);
    await user.click(screen.getByRole('button', { name: 'More' }));
    await user.click(screen.getByRole('button', { name: 'More' }));
    expect(key(/^Slipped/)).toHaveProperty('disabled', true);
    await user.click(key(/^Held/));
    await waitFor(() => expect(looks()).toMatchObject([{ marks: [{ kind: 'measured', values: [150] }] }]));
  });

  it('whoever comes in the middle joins, and the side can be changed', async () => {
    const { user, arrive, side } = open({ line: [ilse!], away: [noor!], late: { [ilse!.id]: '18:20' } });
    expect(screen.getByText('came at 18:20')).toBeTruthy();
    await user.click(screen.getByRole('button', { name: 'Somebody came' }));
    await user.click(screen.getByRole('button', { name: 'Noor Saltby' }));
    expect(arrive).toHaveBeenCalledWith(noor!.id);
    await user.click(screen.getByRole('button', { name: 'Now the right' }));
    expect(side).toHaveBeenCalledWith('right');
  });

  it('a device that has no room for a moment loses no tap, and nothing corrects a look that was never made', async () => {
    const { user } = open();
    put.mockRejectedValueOnce(new Error('This device has no room left.'));
    await user.keyboard('h');
    expect(await screen.findByText('This device has no room left.')).toBeTruthy();
    expect(row(/Ilse Marrow: not seen/)).toBeTruthy();
    // The next tap takes the first with it.
    await user.keyboard('s');
    await screen.findByText('2 of 3 marked');
    expect([row(/Ilse Marrow: held/), row(/Noor Saltby: slipped/)].every(Boolean)).toBe(true);
    const [lost, first] = looks();
    expect(first!.marks).toMatchObject([{ held: 1 }]);
    put.mockRejectedValueOnce(new Error('This device has no room left.'));
    await user.keyboard('{ArrowUp}{ArrowUp}s');
    await screen.findByText('This device has no room left.');
    await user.keyboard('{ArrowUp}{ArrowUp}h');
    await waitFor(() => expect(screen.queryByText('This device has no room left.')).toBeNull());
    // Each replaces what the device has, whatever could not be written in between.
    const made = new Set([first!.id]);
    for (const l of looks().slice(2)) {
      if (l.studentId === ilse!.id && l.replaces !== null) expect(made.has(l.replaces)).toBe(true);
      if (l !== looks()[3]) made.add(l.id);
    }
    expect(lost!.replaces).toBeNull();
    expect(row(/Ilse Marrow: held/)).toBeTruthy();
  });

  it('an open injury stands at the name; what rests is passed over, and asked about once', async () => {
    const until = '2026-03-20';
    const kick = `t:${technique([HEEL]).id}`;
    const hurt = student(1, 'Bram Oakes', {
      resting: [{ what: 'right knee: no kicks', until, pause: false }],
      rests: { [kick]: { what: 'right knee: no kicks', until, points: null } },
    });
    const young = student(2, 'Noor Saltby', { age: 14, minor: true, rung: null });
    const { user } = open({ line: [ilse!, hurt, young] });
    const list = screen.getByRole('list', { name: 'The line' });
    expect(within(list).getByText('right knee: no kicks, until 20 March')).toBeTruthy();
    expect(within(list).getByText('14, minor')).toBeTruthy();
    expect(within(list).getByText('no consent on record')).toBeTruthy();
    // Mark and move on goes past who rests.
    await user.keyboard('h');
    await screen.findByText('1 of 3 marked');
    expect(row(/Noor/).getAttribute('aria-current')).toBe('true');
    // On the row itself no key marks before it is said that it shall be looked at.
    await user.click(row(/Bram Oakes: rests until 20 March/));
    await user.keyboard('hs');
    expect(looks()).toHaveLength(1);
    await user.click(screen.getByRole('button', { name: 'Look at Bram all the same' }));
    await user.keyboard('s');
    await waitFor(() => expect(row(/Bram Oakes: slipped/)).toBeTruthy());
    await user.click(row(/Bram/));
    expect(key('Held')).toBeTruthy();
  });

  it('where only a part of the body rests, other points of the item go on', async () => {
    const rests = { [`t:${technique([HEEL]).id}`]: { what: 'hip', until: null, points: ['another'] } };
    const { user } = open({ line: [student(1, 'Bram Oakes', { rests })] });
    await user.keyboard('h');
    await waitFor(() => expect(row(/Bram Oakes: held/)).toBeTruthy());
  });

  it('a measured point can be marked by eye, and is kept as such', async () => {
    const { user } = open({ point: BASE });
    await user.click(screen.getByRole('button', { name: 'By eye instead' }));
    await user.click(key('Held by eye'));
    await waitFor(() =>
      expect(looks()).toMatchObject([{ marks: [{ pointId: BASE.id, kind: 'seen', held: 1, of: 1 }] }]),
    );
    expect(screen.getByRole('button', { name: 'Measure it' })).toBeTruthy();
  });
});
