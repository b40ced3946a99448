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
  /** Said while it ran. A device may still have what it was sent before there were any. */
  notes?: ClassNoteShown[];
  version: number;
}

/** What was noted while a class ran, and in which block. */
export interface ClassNoteShown {
  id: string;
  block: string;
  said: string;
}

/** Somebody who came and is not on the roll; whom to call. */
export interface GuestShown {
  id: string;
  classId: string;
  name: string;
  minor: boolean;
  phone: string;
}

/** Two or three as they were called, at which rung, and who was first. */
export interface CalledPair {
  id: string;
  a: string;
  b: string;
  c: string | null;
  rung: number;
  first: string;
}

/** Where a class stands, for devices that follow; `now` is the server's clock in milliseconds since 1970. */
export interface ClassRunView {
  run: Run | null;
  /** Of the plan, and who changed it last. */
  version: number;
  changedBy: string | null;
  closed: boolean;
  /** Who is here, as they stand, and when they came late or left early, in minutes after midnight. */
  here: { id: string; came: number | null; went: number | null }[];
  guests: GuestShown[];
  notes: ClassNoteShown[];
  /** Rounds that were called in it. */
  called: { blockId: string; round: number; pairs: CalledPair[] }[];
  now: number;
}
