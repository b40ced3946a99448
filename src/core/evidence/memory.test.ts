import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Entry } from './looks';
import { newestFirst } from './looks';
import { remembered, REMEMBERED_DAYS, REMEMBERED_ON_DAYS, REMEMBERED_REPETITIONS } from './memory';

const entry = (day: number, of = 5, more: Partial<Entry> = {}): Entry => ({
  day,
  at: day * 1000,
  conditionId: 'air',
  purpose: null,
  held: of,
  of,
  ...more,
});
const everyTenDays = (n: number, of = 5) => Array.from({ length: n }, (_, i) => entry(10_000 - 10 * i, of));

describe('what is remembered', () => {
  it('two years whole, however much it is', () => {
    const all = everyTenDays(73);
    expect(remembered(all)).toBe(all);
  });

  it('of what is older as much as the strictest standard may look at', () => {
    expect(remembered(everyTenDays(300))).toHaveLength(REMEMBERED_DAYS / 10 + 1);
    const seldom = Array.from({ length: 60 }, (_, i) => entry(10_000 - 100 * i, 10));
    expect(remembered(seldom)).toHaveLength(REMEMBERED_ON_DAYS);
    const few = Array.from({ length: 60 }, (_, i) => entry(10_000 - 100 * i, 4));
    expect(remembered(few)).toHaveLength(REMEMBERED_REPETITIONS / 4);
  });

  it('another condition, purpose or stage is remembered for itself', () => {
    const apart = [entry(1000, 5, { conditionId: 'target' }), entry(900, 5, { purpose: 'show' })];
    const all = [...everyTenDays(200), ...apart];
    expect(remembered(all).filter((e) => e.conditionId === 'target' || e.purpose === 'show')).toEqual(apart);
  });

  it('law: what comes later changes nothing that a naive reading would keep, and twice is once', () => {
    const one = fc.record({
      day: fc.integer({ min: 0, max: 3000 }),
      of: fc.integer({ min: 1, max: 60 }),
      condition: fc.constantFrom('air', 'target'),
    });
    fc.assert(
      fc.property(fc.array(one, { minLength: 1, maxLength: 150 }), (list) => {
        const all = list.map((x) => entry(x.day, x.of, { conditionId: x.condition })).sort(newestFirst);
        const kept = remembered(all);
        const naive = all.filter((e) => {
          const newer = all.filter((x) => x.conditionId === e.conditionId && x.day > e.day);
          const days = new Set(newer.map((x) => x.day));
          return (
            newer.every((x) => x.day - e.day <= REMEMBERED_DAYS) ||
            newer.reduce((n, x) => n + x.of, 0) < REMEMBERED_REPETITIONS ||
            days.size < REMEMBERED_ON_DAYS
          );
        });
        expect(kept).toEqual(naive);
        expect(remembered(kept)).toEqual(kept);
      }),
      { numRuns: 300 },
    );
  });
});
