// What the screens of an evening show.
import type { ClassPlan, Run } from '../../core';

/** A class as it is meant to go, and how far it has come. */
export interface ClassPlanShown {
  id: string;
  day: string;
  hallId: string | null;
  plan: ClassPlan;
  run: Run | null;
  closed: boolean;
  note: string;
  version: number;
}

/** Where a class stands, for devices that follow; `now` is the server's clock in milliseconds since 1970. */
export interface ClassRunView {
  run: Run | null;
  version: number;
  closed: boolean;
  now: number;
}
