import { describe, expect, it } from 'vitest';
import type { KitSequence } from '../../../kit/mat/line';
import { isShown, markCount, namedPoints, nameSlip, restHeld, showingOf, tapCount, tellFelt, unseen } from './showing';

const point = (id: string, kind: 'seen' | 'felt' | 'measured' = 'seen') => ({
  id,
  name: id,
  cue: '',
  kind,
  critical: false,
});
const form = {
  id: 'form',
  body: { moves: [{}, {}, {}, {}] },
  points: [point('heel'), point('hip'), point('told', 'felt')],
  at: [[0], [0, 1], [1], [0, 2]],
} as unknown as KitSequence;

describe('a showing', () => {
  it('a tap is a slip, another takes it back, the rest held closes it', () => {
    const s = restHeld(tapCount(unseen(1, 4), 1), false);
    expect(showingOf(s, form, null)).toMatchObject({ id: 'form', from: 1, to: 4, ofCounts: 4, counts: 'HSHH|HHU' });
    expect(tapCount(tapCount(unseen(1, 4), 1), 1)).toEqual(unseen(1, 4));
    expect([isShown(unseen(1, 4)), isShown(s)]).toEqual([false, true]);
  });

  it('keeps what was marked when the rest is held', () => {
    const s = restHeld({ ...unseen(1, 2), own: { rhythm: 'S', line: 'U', shouts: 'U' } }, true);
    expect(s.own).toEqual({ rhythm: 'S', line: 'H', shouts: 'H' });
  });

  it('naming what slipped marks the slip; another mark takes the name back', () => {
    const s = nameSlip(unseen(1, 4), 0, { pointId: 'heel', what: 'heel' });
    expect([s.counts[0], s.slips]).toEqual([
      'S',
      [{ count: 1, pointId: 'heel', what: 'heel', toldBy: null, held: false }],
    ]);
    expect(nameSlip(s, 0, { pointId: 'heel', what: 'heel' }).slips).toEqual([]);
    expect(markCount(s, 0, 'H').slips).toEqual([]);
  });

  it('counts a named point at every count where it occurs and was seen', () => {
    const s = restHeld(nameSlip(unseen(1, 4), 1, { pointId: 'heel', what: 'heel' }), false);
    expect(namedPoints(s, form)).toEqual([{ pointId: 'heel', kind: 'seen', held: 2, of: 3 }]);
    const half = nameSlip(unseen(1, 4), 1, { pointId: 'heel', what: 'heel' });
    expect(namedPoints(half, form)).toEqual([{ pointId: 'heel', kind: 'seen', held: 0, of: 1 }]);
  });

  it('a point that is measured elsewhere is marked by eye', () => {
    const knee = { ...form, points: [point('knee', 'measured')], at: [[0], [0], [], []] };
    const s = restHeld(nameSlip(unseen(1, 4), 1, { pointId: 'knee', what: 'knee falls in' }), false);
    expect(namedPoints(s, knee)).toEqual([{ pointId: 'knee', kind: 'seen', held: 1, of: 2 }]);
  });

  it('what is felt counts as often as it was told, and stays where the count is seen to hold', () => {
    const told = { pointId: 'told', what: 'told' };
    const s = tellFelt(unseen(1, 4), 3, told, true, 'nell');
    expect([s.counts[3], isShown(s), namedPoints(s, form)]).toEqual([
      'U',
      true,
      [{ pointId: 'told', kind: 'felt', held: 1, of: 1, toldBy: 'nell' }],
    ]);
    expect(markCount(s, 3, 'H').slips).toEqual(s.slips);
    expect(markCount(s, 3, 'U').slips).toEqual([]);
    const other = tellFelt(s, 1, told, false, 'bram');
    expect([other.counts[1], namedPoints(other, form)]).toEqual([
      'S',
      [{ pointId: 'told', kind: 'felt', held: 1, of: 2, toldBy: 'bram' }],
    ]);
    // The last word at a place counts.
    expect(tellFelt(s, 3, told, false, 'bram').slips).toEqual([{ count: 4, ...told, toldBy: 'bram', held: false }]);
  });

  it('counts a part by the numbers of the whole, and a felt point never by eye', () => {
    const s = restHeld(nameSlip(unseen(3, 4), 0, { pointId: 'hip', what: 'hip' }), false);
    expect(showingOf(s, form, null)).toMatchObject({ from: 3, to: 4, counts: 'SH|HHU', slips: [{ count: 3 }] });
    expect(namedPoints(s, form)).toEqual([{ pointId: 'hip', kind: 'seen', held: 0, of: 1 }]);
    expect(namedPoints(nameSlip(unseen(4, 4), 0, { pointId: 'told', what: 'told' }), form)).toEqual([]);
  });
});
