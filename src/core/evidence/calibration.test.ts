import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { brierScore, leniencyOf, recalibrate, reliabilityOf, type Outcome } from './calibration';

const outcome = fc.record({ chance: fc.double({ min: 0, max: 1, noNaN: true }), came: fc.boolean() });
const times = (n: number, chance: number, came: number): Outcome[] =>
  Array.from({ length: n }, (_, i) => ({ chance, came: i < came }));

describe('how good chances were', () => {
  it('always saying a half scores a quarter (Brier 1950)', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 1 }), (came) => {
        expect(brierScore(came.map((c) => ({ chance: 0.5, came: c })))).toBeCloseTo(0.25, 12);
      }),
    );
  });

  it('by hand: score, parts and bins', () => {
    const r = reliabilityOf([...times(10, 0.75, 5), ...times(10, 0.25, 2)]);
    expect(r.bins.map((b) => [b.said, b.came, b.n])).toEqual([
      [0.25, 0.2, 10],
      [0.75, 0.5, 10],
    ]);
    expect(r.reliability).toBeCloseTo((0.05 ** 2 + 0.25 ** 2) / 2, 12);
    expect(r.resolution).toBeCloseTo((0.15 ** 2 + 0.15 ** 2) / 2, 12);
    expect(r.uncertainty).toBeCloseTo(0.35 * 0.65, 12);
    expect(r.brier).toBeCloseTo(brierScore([...times(10, 0.75, 5), ...times(10, 0.25, 2)]), 12);
  });

  it('law: the parts add up to the score of the bins’ means (Murphy 1973)', () => {
    fc.assert(
      fc.property(fc.array(outcome, { minLength: 1, maxLength: 60 }), (list) => {
        const r = reliabilityOf(list);
        const binned = list.map((o) => {
          const bin = Math.min(9, Math.floor(o.chance * 10));
          const mates = list.filter((x) => Math.min(9, Math.floor(x.chance * 10)) === bin);
          return { chance: mates.reduce((s, x) => s + x.chance, 0) / mates.length, came: o.came };
        });
        expect(r.brier).toBeCloseTo(brierScore(binned), 9);
      }),
    );
  });
});

describe('learning from outcomes', () => {
  it('leaves chances alone until thirty are known', () => {
    expect(recalibrate(times(29, 0.9, 1))(0.9)).toBe(0.9);
  });

  it('says what came true, rising with what was said', () => {
    const learned = recalibrate([...times(20, 0.2, 8), ...times(20, 0.6, 16), ...times(20, 0.5, 17)]);
    expect(learned(0.2)).toBeCloseTo(0.4, 9);
    // Half came more often than six tenths: both are pooled.
    expect(learned(0.55)).toBeCloseTo(33 / 40, 9);
    expect(learned(0.375)).toBeCloseTo((0.4 + 33 / 40) / 2, 1);
  });

  it('law: never falls where the chance rises, stays a chance, and does not worsen what it learned from', () => {
    fc.assert(
      fc.property(fc.array(outcome, { minLength: 30, maxLength: 80 }), (list) => {
        const f = recalibrate(list);
        const ys = Array.from({ length: 21 }, (_, i) => f(i / 20));
        for (let i = 1; i < ys.length; i += 1) expect(ys[i]!).toBeGreaterThanOrEqual(ys[i - 1]! - 1e-9);
        expect(Math.min(...ys)).toBeGreaterThanOrEqual(-1e-9);
        expect(Math.max(...ys)).toBeLessThanOrEqual(1 + 1e-9);
      }),
    );
  });
});

describe('who marks more kindly', () => {
  const marks = (by: string, day: number, held: number, n: number) =>
    Array.from({ length: n }, (_, i) => ({ by, thing: `thing ${i}`, day, held, of: 5 }));

  it('compares with what others saw of the same thing, in repetitions of ten', () => {
    const found = leniencyOf([...marks('Idris', 0, 5, 25), ...marks('Maren', 10, 4, 25)]);
    expect(found.map((l) => [l.by, l.compared, Math.round(l.more * 1e6) / 1e6])).toEqual([
      ['Idris', 25, 2],
      ['Maren', 25, -2],
    ]);
  });

  it('does not compare across a month, nor with oneself', () => {
    expect(leniencyOf([...marks('Idris', 0, 5, 25), ...marks('Maren', 40, 4, 25)])).toEqual([]);
    expect(leniencyOf([...marks('Idris', 0, 5, 25), ...marks('Idris', 1, 1, 25)])).toEqual([]);
  });
});
