import { type Sequence } from '../move';

/** What is wrong in a text, where (1-based), what would be right, and the nearest known techniques. */
export interface NotationProblem {
  line: number;
  column: number;
  length: number;
  message: string;
  expected: string;
  near: string[];
  /** An unknown technique is kept and drawn; an error's words are left out of the drawing. */
  severity: 'error' | 'unknown';
}

export interface ReadSequence {
  sequence: Sequence;
  problems: NotationProblem[];
  /** Line (0-based) on which each move stands. */
  lineOf: number[];
}

/** Longest sequence that is read; longer ones are cut into several. */
export const MOST_MOVES = 2000;

/** So many letters a line has at most, so many things are said in a count, and so much belongs to one. */
export const MOST_LETTERS = 4000;

/** What of its own a count can have looked at, and what others call a sequence. */
export const MOST_OWN_POINTS = 6;
export const MOST_NAMES = 9;

export const MOST_PARTS = 40;

export const MOST_ACTIONS = 6;

export const MOST_VARIANTS = 9;

export const MOST_BRANCHES = 9;

export const MOST_BRANCH_STEPS = 50;

export const MOST_NOTES = 20;

/** Whoever has so much to mend needs no longer list. */
export const MOST_PROBLEMS = 400;

export type Report = (
  at: { column: number; length: number },
  message: string,
  expected: string,
  near?: string[],
) => void;
