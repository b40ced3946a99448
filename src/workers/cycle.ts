import loadHighs from 'highs';
import runtime from 'highs/runtime?url';
import {
  gridNow,
  helpsFor,
  planCycle,
  problemNow,
  seededBy,
  UNIT,
  type Cycle,
  type ClassRecord,
  type PlannedCycle,
  pastOf,
  recordsOf,
  withPlan,
} from '../core';
import { solveWith } from './highs';
import { AGAIN, TRIED } from './patience';

/** What the worker is asked: a cycle with what was held of it, planned anew or again from the plan it has. */
export interface CycleAsked {
  cycle: Cycle;
  records: readonly ClassRecord[];
  today: string;
  seed: string;
  /** From the plan that is known, so that little moves. */
  again: boolean;
}
/** What it says after every step: the plan so far; then what would come of each thing that might help, in their order. */
export type CycleSaid =
  | { planned: PlannedCycle }
  | { help: number; short: number; atLeast: number | null }
  | { over: true };

const clock = () => performance.now() / 1000;

async function work({ cycle, records, today, seed, again }: CycleAsked) {
  const say = (said: CycleSaid) => postMessage(said);
  const past = pastOf(cycle, recordsOf(cycle.classes, records), today);
  const p = problemNow(cycle, past);
  const known = again ? gridNow(cycle, past) : null;
  const dice = seededBy(seed);
  // A first plan does not wait for the solver to be loaded.
  say({ planned: planCycle(p, { solve: null, dice, clock, known }).next().value });
  // Without a solver nothing is proven; there is a plan all the same.
  const solve = await loadHighs({ locateFile: () => runtime }).then(solveWith, () => null);
  const steps = planCycle(p, { solve, dice, clock, known, ...(again && { patience: AGAIN }) });
  let last: PlannedCycle;
  for (;;) {
    const next = steps.next();
    last = next.value;
    say({ planned: last });
    if (next.done) break;
  }
  if (solve && last.short > 0) {
    const helps = helpsFor(withPlan(cycle, past, last), past, () => 'new');
    for (const [i, h] of helps.entries()) {
      let found: PlannedCycle | undefined;
      for (const step of planCycle(problemNow(h.cycle, past), {
        solve,
        dice,
        clock,
        known: gridNow(h.cycle, past),
        patience: TRIED,
      }))
        found = step;
      if (found)
        say({
          help: i,
          short: found.short * UNIT,
          atLeast: found.shortAtLeast === null ? null : found.shortAtLeast * UNIT,
        });
    }
  }
  say({ over: true });
}

addEventListener('message', (event: MessageEvent<CycleAsked>) => void work(event.data));
