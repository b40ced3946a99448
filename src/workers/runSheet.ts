import loadHighs from 'highs';
import runtime from 'highs/runtime?url';
import {
  costOf,
  firstDay,
  jobsOf,
  laidOut,
  seededBy,
  type DayGroup,
  type DaySettings,
  type Laid,
  type Minute,
} from '../core';
import { solveWith } from './highs';

/** What the worker is asked, and what it says after every step; stopped by ending it. */
export interface DayAsked {
  groups: readonly DayGroup[];
  settings: DaySettings;
  examiners: readonly string[];
  pins: Readonly<Record<string, Minute>>;
  /** Nothing that has not begun begins before it; left out: it is not the day yet. */
  now?: Minute;
  seed: string;
}
export type DaySaid = { laid: Laid } | { laid: null };

async function work({ groups, settings, examiners, pins, now, seed }: DayAsked) {
  const all = jobsOf(groups, settings, examiners, { pins, ...(now !== undefined && { now }) });
  const say = (laid: Laid | null) => postMessage({ laid } satisfies DaySaid);
  // A first day does not wait for the solver to be loaded.
  const first = firstDay(all);
  if (!first) return say(null);
  say({ stage: 'a first whole day', starts: first, cost: costOf(all, first), bound: null });
  // Without a solver there is no bound; the day is laid out all the same.
  const solve = await loadHighs({ locateFile: () => runtime }).then(solveWith, () => null);
  const steps = laidOut(all, seededBy(seed), solve);
  for (;;) {
    const next = steps.next();
    if (next.value) say(next.value);
    if (next.done) return;
  }
}

addEventListener('message', (event: MessageEvent<DayAsked>) => void work(event.data));
