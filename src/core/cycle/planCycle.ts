import type { Random } from '../units/random';
import type { Solve } from '../solver/solve';
import { firstPlan, repaired } from './construct';
import { shortAnyway, type CycleProblem, type Grid } from './problem';
import { programmeOf } from './programme';
import { before, changesOf, Search, shortAndApart } from './search';
import { spacingOf } from './spacing';

export const CYCLE_STAGES = [
  'a first whole plan',
  'how many minutes fit',
  'closer together',
  'how good it can be',
  'few changes',
  'done',
] as const;
export type CycleStage = (typeof CYCLE_STAGES)[number];

/** How far the planning is, and the best plan so far; lengths in units. */
export interface PlannedCycle {
  stage: CycleStage;
  grid: Grid;
  short: number;
  /** No plan is less short; null: not known yet. */
  shortAtLeast: number | null;
  /** How often spacing is left out, of how many times it is asked, and what no plan can go below. */
  apart: number;
  asked: number;
  apartAtLeast: number | null;
}

/** The most seconds for each part of the planning. */
export interface Patience {
  better: number;
  prove: number;
  few: number;
}
export const USUAL_PATIENCE: Patience = { better: 8, prove: 4, few: 3 };

/** Up to so many cells that may be there the programme is solved whole. */
const SMALL = 400;
/** The next whole number; what a solver leaves beside one is nothing. */
const up = (x: number): number => Math.max(0, Math.ceil(x - 1e-6));
/** So often nothing comes of a part before it is left off. */
const IN_VAIN = 25;

/**
 * Plans a cycle in stages, each of which can be shown and stopped, each beginning from the last: a whole plan at once (where
 * one is `known`, from that one); how many minutes fit and what no plan can go below; spacing and review; few cells and few
 * changes. Parts of the plan are solved anew by turns; what is small enough is solved whole. `clock` gives seconds, and only
 * says when to leave off. Without a solver it is the first plan.
 */
export function* planCycle(
  p: CycleProblem,
  {
    solve,
    dice,
    clock,
    known = null,
    patience = USUAL_PATIENCE,
  }: { solve: Solve | null; dice: Random; clock: () => number; known?: Grid | null; patience?: Patience },
): Generator<PlannedCycle, PlannedCycle> {
  const asked = spacingOf(p);
  const worth = (grid: Grid) => shortAndApart(p, asked, grid);
  const first = known === null ? firstPlan(p) : repaired(p, known);
  const said = (grid: Grid) => {
    const [short, apart] = worth(grid);
    return { grid, short, apart };
  };
  let now: PlannedCycle = {
    stage: 'a first whole plan',
    ...said(first),
    asked: asked.length,
    shortAtLeast: shortAnyway(p),
    apartAtLeast: null,
  };
  yield now;
  if (solve === null || p.from >= p.room.length) return { ...now, stage: 'done' };
  const search = new Search(p, asked, solve, dice, clock);
  const stage = (to: CycleStage) => (now = { ...now, stage: to });
  const small = search.size <= SMALL;

  yield stage('how many minutes fit');
  const least = solve(programmeOf(p, asked, { aim: 'minutes', relaxed: true }), { seconds: patience.prove, gap: 0 });
  if (least.bound !== null) now = { ...now, shortAtLeast: Math.max(now.shortAtLeast ?? 0, up(least.bound)) };
  yield now;
  const proven = () => now.shortAtLeast !== null && now.short <= now.shortAtLeast;
  /** The whole programme at once: what it finds, and a bound. */
  const whole = (aim: 'minutes' | 'spacing', seconds: number) => {
    const found = search.solved(
      now.grid,
      { aim, units: small, ...(aim === 'spacing' && { short: now.short }) },
      seconds,
    );
    if (found.grid && before(worth(found.grid), worth(now.grid))) now = { ...now, ...said(found.grid) };
    if (found.bound === null) return;
    const bound = up(found.bound);
    if (aim === 'minutes') now = { ...now, shortAtLeast: Math.max(now.shortAtLeast ?? 0, bound) };
    else now = { ...now, apartAtLeast: Math.max(now.apartAtLeast ?? 0, bound) };
  };
  if (small && !proven()) whole('minutes', patience.prove);

  yield stage('closer together');
  const until = clock() + patience.better;
  // As long as minutes may be found, every other part looks for nothing else.
  let [vain, turn] = [0, 0];
  while (clock() < until && vain < IN_VAIN && !(proven() && now.apart === 0)) {
    const aim = !proven() && (turn += 1) % 2 === 0 ? 'minutes' : 'both';
    const grid = search.step(now.grid, { aim, known }, worth);
    vain = grid === now.grid ? vain + 1 : 0;
    if (grid !== now.grid) yield (now = { ...now, ...said(grid) });
  }
  if (small && now.apart > 0) whole('spacing', patience.prove);

  yield stage('how good it can be');
  if (!proven()) whole('minutes', patience.prove);
  if (now.apart === 0) now = { ...now, apartAtLeast: 0 };
  else if (!small) {
    const bound = solve(programmeOf(p, asked, { aim: 'spacing', short: now.short, relaxed: true }), {
      seconds: patience.prove,
      gap: 0,
    }).bound;
    now = { ...now, apartAtLeast: bound === null ? null : up(bound) };
  }

  yield stage('few changes');
  const end = clock() + patience.few;
  const changes = (grid: Grid) => [...worth(grid), changesOf(p, grid, known)];
  vain = 0;
  while (clock() < end && vain < IN_VAIN) {
    const { short, apart } = now;
    const grid = search.step(now.grid, { aim: 'few cells', short, apart, known }, changes);
    vain = grid === now.grid ? vain + 1 : 0;
    if (grid !== now.grid) yield (now = { ...now, ...said(grid) });
  }
  return stage('done');
}
