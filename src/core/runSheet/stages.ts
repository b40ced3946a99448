import type { Solve } from '../solver/solve';
import type { Random } from '../units/random';
import { broken, costOf, waitedAnyway, type Jobs, type Starts } from './jobs';
import { columnsOf, pauseBranches, programmeOf, startsFrom } from './programme';
import { bettered, firstDay } from './schedule';

/** How far the laying out is, and the best day so far. */
export interface Laid {
  stage: 'a first whole day' | 'bettering it' | 'how good it can be' | 'the last minutes' | 'done';
  starts: Starts;
  cost: number;
  /** No day costs less; null: not known yet. */
  bound: number | null;
}

/** How far above the bound a day may lie to be called good. */
const GOOD = 0.03;
/** So long may the solver look for a bound, and for the last minutes. */
const SECONDS = { bound: 5, whole: 4 } as const;

/**
 * Lays a day out in stages, each of which can be shown and stopped: a whole day at once, bettered by moving groups, a bound
 * from the relaxed programme, and the programme itself where the day lies above the bound. Null: nothing fits.
 */
export function* laidOut(all: Jobs, random: Random, solve: Solve | null): Generator<Laid, Laid | null> {
  const first = firstDay(all);
  if (!first) return null;
  let now: Laid = { stage: 'a first whole day', starts: first, cost: costOf(all, first), bound: null };
  yield now;
  const take = (starts: Starts | null) => {
    if (!starts || broken(all, starts)) return;
    const cost = costOf(all, starts);
    if (cost < now.cost) now = { ...now, starts, cost };
  };
  for (const starts of bettered(all, first, random)) {
    take(starts);
    now = { ...now, stage: 'bettering it' };
    yield now;
  }
  if (solve) {
    now = { ...now, stage: 'how good it can be' };
    yield now;
    const relaxed = solve(programmeOf(all, now.starts, { relaxed: true }), {
      seconds: SECONDS.bound,
      gap: 0,
      branches: pauseBranches(all, now.starts),
    });
    const anyway = waitedAnyway(all);
    now = { ...now, bound: relaxed.bound === null ? null : relaxed.bound + anyway };
    if (now.bound === null || now.cost > now.bound * (1 + GOOD)) {
      now = { ...now, stage: 'the last minutes' };
      yield now;
      const start = columnsOf(all, now.starts);
      const whole = solve(programmeOf(all, now.starts), { seconds: SECONDS.whole, gap: GOOD / 2, start });
      if (whole.columns) take(startsFrom(all, whole.columns));
      const other = whole.bound === null ? null : whole.bound + anyway;
      now = { ...now, bound: other === null ? now.bound : Math.max(now.bound ?? other, other) };
    }
  }
  return { ...now, stage: 'done' };
}
