import { describe, expect, it } from 'vitest';
import { cardFrom, heldOf, holdRest, marksInWords, marksOf, resize, slipOnce, turnNotch, uncut } from './cardMarks';
import { stepOf } from '../../../kit/mat/stepOf';

const points = [
  { id: 'heel', kind: 'seen' as const },
  { id: 'turn', kind: 'measured' as const },
  { id: 'told', kind: 'felt' as const },
];

describe('a card', () => {
  it('one slip plus held gives four of five', () => {
    const p = holdRest(slipOnce(uncut(5)));
    expect(marksInWords(p, null)).toBe('4 of 5');
    expect(marksOf(points, { heel: p })).toEqual([
      { pointId: 'heel', kind: 'seen', held: 4, of: 5, reps: null, toldBy: null },
    ]);
  });

  it('counts only what was seen: a slip alone is none of one', () => {
    expect(marksInWords(slipOnce(uncut(5)), null)).toBe('1 slip');
    expect(marksOf(points, { heel: slipOnce(uncut(5)) })).toEqual([
      { pointId: 'heel', kind: 'seen', held: 0, of: 1, reps: null, toldBy: null },
    ]);
    expect(marksOf(points, { heel: uncut(5) })).toEqual([]);
  });

  it('takes digits, and no more slips than repetitions', () => {
    expect(marksInWords(heldOf(2, 5), null)).toBe('2 of 5');
    expect(marksInWords(heldOf(9, 5), null)).toBe('5 of 5');
    const all = [1, 2, 3, 4, 5, 6, 7].reduce((p) => slipOnce(p), uncut(5));
    expect(marksInWords(all, null)).toBe('0 of 5');
  });

  it('keeps what was cut when the number changes', () => {
    expect(marksInWords(resize(heldOf(3, 5), 8), null)).toBe('3 of 5');
    expect(resize(slipOnce(uncut(5)), 2).notches).toEqual(['S', 'U']);
  });

  it('goes on from a look that was not finished', () => {
    const marks = marksOf(points, { heel: heldOf(4, 5), turn: { ...uncut(5), values: [80, 112] } });
    const again = cardFrom(marks, 5);
    expect(marksOf(points, again)).toEqual(marks);
    expect(marksInWords(again['turn']!, '°')).toBe('80°, 112°');
  });

  it('says which repetition slipped where each was cut in its place', () => {
    const p = turnNotch(holdRest(turnNotch(uncut(5), 3)), 4);
    expect(p.notches.join('')).toBe('HHHSU');
    expect(marksOf(points, { heel: p })).toMatchObject([{ held: 3, of: 4, reps: null }]);
    const all = holdRest(turnNotch(uncut(5), 3));
    expect(marksOf(points, { heel: all })).toMatchObject([{ held: 4, of: 5, reps: 'HHHSH' }]);
    expect(marksOf(points, cardFrom(marksOf(points, { heel: all }), 5))).toMatchObject([{ reps: 'HHHSH' }]);
  });

  it('says who felt it, of felt points only', () => {
    const told = { ...heldOf(3, 5), toldBy: 'receiver' };
    expect(marksOf(points, { told, heel: told })).toMatchObject([
      { pointId: 'heel', toldBy: null },
      { pointId: 'told', kind: 'felt', toldBy: 'receiver' },
    ]);
  });

  it('measures in steps the thumb can use', () => {
    expect(stepOf('°', { lo: 90, hi: 180 })).toBe(15);
    expect(stepOf('°', { lo: 0, hi: 20 })).toBe(5);
    expect(stepOf('ms', { lo: -100, hi: 100 })).toBe(20);
    expect(stepOf('cm', { lo: 8, hi: 18 })).toBe(1);
  });
});
