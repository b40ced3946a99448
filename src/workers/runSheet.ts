import loadHighs from 'highs';
import runtime from 'highs/runtime?url';
import { jobsOf, laidOut, seededBy, type DayGroup, type DaySettings, type Laid, type Minute } from '../core';
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

addEventListener('message', (event: MessageEvent<DayAsked>) => {
  void (async () => {
    const { groups, settings, examiners, pins, now, seed } = event.data;
    const all = jobsOf(groups, settings, examiners, { pins, ...(now !== undefined && { now }) });
    // A first day does not wait for the solver to be loaded.
    const first = laidOut(all, seededBy(seed), null);
    let step = first.next();
    for (; !step.done; step = first.next()) postMessage({ laid: step.value } satisfies DaySaid);
    if (step.value === null) return postMessage({ laid: null } satisfies DaySaid);
    const highs = await loadHighs({ locateFile: () => runtime });
    const steps = laidOut(all, seededBy(seed), solveWith(highs));
    for (;;) {
      const next = steps.next();
      if (next.value) postMessage({ laid: next.value } satisfies DaySaid);
      if (next.done) return;
    }
  })();
});
