import fc from 'fast-check';
import loadHighs from 'highs';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  addDays,
  apartIn,
  brokenIn,
  planCycle,
  problemOf,
  seeded,
  shortIn,
  spacingOf,
  type CycleProblem,
  type PlannedCycle,
  type Solve,
} from '../core';
import { classOn, cycle, largeCycle, row } from '../core/cycle/testing/builders';
import { solveWith } from './highs';

/** Small weeks: every plan there is can be gone through. */
const small = fc
  .record({
    room: fc.array(fc.integer({ min: 1, max: 3 }), { minLength: 3, maxLength: 4 }),
    rows: fc.array(
      fc.record({
        need: fc.integer({ min: 1, max: 5 }),
        most: fc.integer({ min: 1, max: 2 }),
        gap: fc.integer({ min: 1, max: 3 }),
        fresh: fc.boolean(),
        basics: fc.boolean(),
        heavy: fc.constantFrom('light' as const, 'middling' as const, 'heavy' as const),
        opens: fc.option(fc.integer({ min: 1, max: 2 })),
        group: fc.constantFrom(null, 0, 1),
      }),
      { minLength: 1, maxLength: 3 },
    ),
    groups: fc.boolean(),
    newThings: fc.integer({ min: 1, max: 2 }),
  })
  .map(({ room, rows, groups, newThings }) => {
    const classes = room.map((n, k) => classOn(addDays('2026-01-19', 2 * k), 20 + 5 * n));
    return cycle(
      classes,
      rows.map((r, i) =>
        row(`r${i}`, {
          minutes: r.need * 5,
          least: 5,
          most: r.most * 5,
          gap: r.gap,
          fresh: r.fresh,
          kind: r.basics ? 'basics' : 'forms',
          heaviness: r.heavy,
          group: r.group,
          opens: r.opens !== null && i > 0 ? [{ on: `r${i - 1}`, minutes: r.opens * 5 }] : [],
        }),
      ),
      {
        groups: groups ? ['a', 'b'] : ['all'],
        rules: { frame: 20, newThings, growing: [1, 2], review: 2, load: 2.2 },
      },
    );
  });

/** The least that is short, and of those plans the fewest times apart: by going through all of them. */
function bestOfAll(p: CycleProblem): [number, number] {
  const asked = spacingOf(p);
  const cells = p.rows.flatMap((r, i) => r.open.flatMap((open, k) => (open ? [[i, k, r.least, r.most] as const] : [])));
  const grid = p.rows.map(() => p.room.map(() => 0));
  // What goes into a class of its group no more goes into none of the plans that follow.
  const left = p.room.map((n) => Array.from({ length: p.groups }, () => n));
  const take = (i: number, k: number, units: number) => {
    const { group } = p.rows[i]!;
    left[k] = left[k]!.map((n, g) => (group === null || group === g ? n - units : n));
    return left[k].every((n) => n >= 0);
  };
  let best: [number, number] = [Infinity, Infinity];
  const go = (n: number) => {
    if (n === cells.length) {
      if (brokenIn(p, grid) !== null) return;
      const now: [number, number] = [shortIn(p, grid), apartIn(asked, grid).length];
      if (now[0] < best[0] || (now[0] === best[0] && now[1] < best[1])) best = now;
      return;
    }
    const [i, k, least, most] = cells[n]!;
    for (let units = 0; units <= most; units += 1) {
      if (units > 0 && units < least) continue;
      const fits = take(i, k, units);
      grid[i]![k] = units;
      if (fits) go(n + 1);
      take(i, k, -units);
    }
    grid[i]![k] = 0;
  };
  go(0);
  return best;
}

describe('weeks by HiGHS', () => {
  let solve: Solve;
  beforeAll(async () => {
    solve = solveWith(await loadHighs());
  });
  const last = (p: CycleProblem, more: { known?: number[][] } = {}) => {
    let found: PlannedCycle | undefined;
    const patience = { better: 1, prove: 10, few: 0.2 };
    let turn = 0;
    // A clock that goes by steps: the same on every machine.
    for (const step of planCycle(p, { solve, dice: seeded(5), clock: () => (turn += 0.02), patience, ...more })) {
      expect(brokenIn(p, step.grid)).toBeNull();
      found = step;
    }
    if (!found) throw new Error('nothing was planned');
    return found;
  };

  it('are the best of all on small weeks: least short, then least apart, and proven', () => {
    fc.assert(
      fc.property(small, (c) => {
        const p = problemOf(c, 0, () => 0);
        const [short, apart] = bestOfAll(p);
        const found = last(p);
        expect([found.short, found.apart]).toEqual([short, apart]);
        expect([found.shortAtLeast, found.apartAtLeast]).toEqual([short, apart]);
      }),
      { numRuns: 60 },
    );
  }, 120_000);

  it('more minutes never make them more short', () => {
    fc.assert(
      fc.property(small, fc.nat(3), (c, which) => {
        const longer = {
          ...c,
          classes: c.classes.map((x, k) => (k === which % c.classes.length ? { ...x, minutes: x.minutes + 10 } : x)),
        };
        const before = last(problemOf(c, 0, () => 0));
        expect(last(problemOf(longer, 0, () => 0)).short).toBeLessThanOrEqual(before.short);
      }),
      { numRuns: 25 },
    );
  }, 120_000);

  it('a larger plan keeps every rule at every step, and gets no worse; planned again the past and the pins stand', () => {
    const c = largeCycle(seeded(11), 24, 6, 1.05);
    const p = problemOf(c, 0, () => 0);
    let worst = Infinity;
    for (const step of planCycle(p, {
      solve,
      dice: seeded(2),
      clock: () => performance.now() / 1000,
      patience: { better: 1.5, prove: 2, few: 0.5 },
    })) {
      expect(brokenIn(p, step.grid)).toBeNull();
      expect(step.short).toBeLessThanOrEqual(worst);
      worst = step.short;
      if (step.stage === 'done') {
        const again = problemOf(
          { ...c, classes: c.classes.map((x, k) => (k === 5 ? { ...x, off: 'lost' } : x)) },
          6,
          (r, k) =>
            c.classes[5]!.id === k
              ? 0
              : step.grid[c.rows.findIndex((x) => x.id === r)]![c.classes.findIndex((x) => x.id === k)]! * 5,
        );
        const found = last(again, { known: step.grid.map((x) => [...x]) });
        expect(found.grid.map((x) => x.slice(0, 5))).toEqual(step.grid.map((x) => x.slice(0, 5)));
        expect(found.grid.every((x) => x[5] === 0)).toBe(true);
      }
    }
  }, 60_000);
});
