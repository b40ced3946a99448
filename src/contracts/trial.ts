import type { VerdictWord } from '../core';

/** Something that is other than it was. */
export interface Change<T> {
  was: T;
  now: T;
}

/** What would be other for one student if a command were done. Empty lists and nulls: it stays as it is. */
export interface StudentFollowed {
  id: string;
  name: string;
  belt: Change<string> | null;
  /** The belt whose list is asked. */
  asked: Change<string | null> | null;
  verdicts: (Change<VerdictWord> & { item: string; reason: string })[];
  /** Gates by what they ask: whether each is open, and how far it is, in words. */
  gates: (Change<string> & { asks: string })[];
  focus: Change<string | null> | null;
  /** The chance on the day, in words; null: too little is known. */
  chance: Change<string | null> | null;
  /** Looks since the belt that goes back was given: they stay. */
  looksStay: number | null;
}

/** What would follow from a command that was tried and taken back again. */
export interface Followed {
  students: StudentFollowed[];
  /** Another teacher, whose look it is: told of it. */
  told: string | null;
}

/** Commands whose consequences can be read before they are done. */
export const TRIED = ['record.strike', 'look.mend', 'look.move'] as const;
export type Tried = (typeof TRIED)[number];
