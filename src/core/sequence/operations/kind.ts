import type * as v from 'valibot';
import type { Result } from '../../units/result';
import type { Sequence, Step } from '../move';
import { NO_WORDS, type Vocabulary } from '../notation/vocabulary';

/** What an operation may look up while it is done. */
export interface Sources {
  /** Other sequences by id, as they stand. */
  find: (id: string) => Sequence | undefined;
  vocabulary: Vocabulary;
}
export const NO_SOURCES: Sources = { find: () => undefined, vocabulary: NO_WORDS };

/** The shapes that stored operations are made of, as whoever stores them has them. */
export interface Shapes {
  /** What names another sequence: its id, or its title where it travels. */
  other: v.GenericSchema<string, string>;
  step: v.GenericSchema<unknown, Step>;
  /** A short line. */
  line: v.GenericSchema<string, string>;
  /** A whole number between two, named in what is said where it is not. */
  whole: (least: number, most: number, what: string) => v.GenericSchema<unknown, number>;
}

/** One operation of a recipe, whole: how it is stored, what it does, how it is said, what it needs. */
export interface OperationKind<O extends { op: string }> {
  op: O['op'];
  shape: (s: Shapes) => v.GenericSchema<unknown, O>;
  /** Makes the child; refuses, with the reason, what cannot be done. */
  apply: (seq: Sequence, o: O, sources: Sources) => Result<Sequence>;
  /** In words, to be read after “made by”: “a front kick before each advancing punch”. */
  words: (o: O, nameOf: (id: string) => string) => string;
  /** Ids of the sequences it needs besides its parent. */
  needs?: (o: O) => string[];
  /** How many counts it makes of so many, where that may be very many. */
  grows?: (counts: number, o: O) => number;
  /** What it left as it was or did not know, in words; null: only whether it changed anything is told. */
  effects?: (o: O, before: Sequence, after: Sequence, same: boolean, sources: Sources) => string[];
}
