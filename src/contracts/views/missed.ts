// What is shown of one student.
import type { RankShown } from './rank';
// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.

export interface MissedView {
  students: { id: string; name: string; rank: RankShown; missed: MissedShown[] }[];
}

/** What an absent student missed in one class. */
export interface MissedShown {
  day: string;
  item: string;
  itemKey: string;
  condition: string;
  points: { name: string; cue: string }[];
  /** How it can be made up, with the room the student has. */
  version: string;
  /** A drill the student knows and has room for in which it comes; empty where there is none. */
  drill: string;
}
