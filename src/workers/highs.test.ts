import fc from 'fast-check';
import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  broken,
  costOf,
  firstDay,
  inOrder,
  jobsOf,
  laidOut,
  PAUSE,
  programmeOf,
  seeded,
  startsFrom,
  waitedAnyway,
  type Jobs,
  type Solve,
} from '../core';
import { daysOf, group, PANEL, settings, short } from '../core/runSheet/testing/builders';
import { solveWith } from './highs';

/** Every plan there is, by every order: the best of active plans holds the best of all, since cost only grows with time. */
function bestOfAll(all: Jobs): number {
  const permute = <T>(list: readonly T[]): T[][] =>
    list.length < 2 ? [[...list]] : list.flatMap((x, i) => permute(list.toSpliced(i, 1)).map((rest) => [x, ...rest]));
  return Math.min(
    ...permute(all.jobs).map((order) => {
      const found = inOrder(all, order);
      return found ? costOf(all, found) : Infinity;
    }),
  );
}

describe('a day by HiGHS', () => {
  let solve: Solve;
  beforeAll(async () => {
    solve = solveWith(await loadHighs());
  });
  const exactly = { seconds: 60, gap: 0 };

  it('of the solver is the best of all on small days', () => {
    fc.assert(
      fc.property(daysOf(short), ({ groups, s, panel }) => {
        const all = jobsOf(groups.slice(0, 4), s, panel);
        const first = firstDay(all)!;
        const found = startsFrom(all, solve(programmeOf(all, first), exactly).columns!)!;
        expect(broken(all, found)).toBeNull();
        expect(costOf(all, found)).toBe(bestOfAll(all));
        // The relaxed one is a bound.
        const { bound } = solve(programmeOf(all, first, { relaxed: true }), exactly);
        expect(bound! + waitedAnyway(all)).toBeLessThanOrEqual(costOf(all, found) + 1e-6);
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it('a day with a break lies near a bound that no day goes below, and says its stages', () => {
    const groups = Array.from({ length: 7 }, (_, i) => group(`g${i}`, 9 + ((i * 7) % 13), 3 + (i % 3)));
    const all = jobsOf(groups, { ...settings, pause: 12, comes: { odile: 625 } }, PANEL);
    const stages: string[] = [];
    const steps = laidOut(all, seeded(3), solve);
    let step = steps.next();
    for (; !step.done; step = steps.next()) {
      stages.push(step.value.stage);
      expect(broken(all, step.value.starts)).toBeNull();
    }
    const last = step.value!;
    expect([...new Set(stages)].slice(0, 3)).toEqual(['a first whole day', 'bettering it', 'how good it can be']);
    expect(last.starts[PAUSE]).toBeDefined();
    expect(last.bound).not.toBeNull();
    expect(last.cost).toBeGreaterThanOrEqual(last.bound! - 1e-6);
    expect(last.cost).toBeLessThanOrEqual(last.bound! * 1.05);
    // Against every order: no plan goes below the bound.
    expect(last.bound!).toBeLessThanOrEqual(bestOfAll(all) + 1e-6);
  }, 60_000);
});
