// What is shown of one student.
import type { RankShown } from './rank';
// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.

export interface MissedView {
  /** What was missed and how it is made up, each once; the students' own lists name it by its place. */
  items: MissedItem[];
  students: { id: string; name: string; rank: RankShown; missed: { day: string; item: number }[]; more: number }[];
}

/** An item that was missed. */
export interface MissedItem {
  item: string;
  itemKey: string;
  condition: string;
  points: { name: string; cue: string }[];
  /** How it can be made up, with the room the student has. */
  version: string;
  /** A drill the student knows and has room for in which it comes; empty where there is none. */
  drill: string;
}

/** What an absent student missed in one class. */
export type MissedShown = MissedItem & { day: string };
