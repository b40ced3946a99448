// What the screens of sequences show.
import type { Departure, Recipe, Sequence, SequenceKind, Word } from '../../core';
import type { HallShown } from './hall';
import type { RankShown } from './rank';

export interface SequenceLine {
  id: string;
  title: string;
  /** What others call it. */
  names: { school: string; name: string }[];
  kind: SequenceKind;
  rank: string | null;
  counts: number;
  /** The sequence it is derived from, and how. */
  parentId: string | null;
  how: string | null;
  problems: number;
  unfit: number;
  trouble: string | null;
  retired: boolean;
  changedOn: string;
}

export interface SequencesView {
  sequences: SequenceLine[];
  ranks: RankShown[];
  /** The text of each, for taking several out at once. */
  texts: Record<string, string>;
  words: Word[];
}

/** A sequence on the workbench, with all that reading and checking it needs. */
export interface SequenceView {
  /** Null: a new one. */
  sequence: {
    id: string;
    title: string;
    text: string;
    body: Sequence;
    parentId: string | null;
    recipe: Recipe | null;
    departures: Departure[];
    trouble: string | null;
    version: number;
    retired: boolean;
    changedOn: string;
    changedBy: string | null;
  } | null;
  /** What the recipe gives from the parent as it is now; null for a sequence written by hand. */
  computed: Sequence | null;
  parent: { id: string; title: string; body: Sequence } | null;
  children: { id: string; title: string; how: string }[];
  /** Others that could be taken for it by name, and the count at which it goes another way. */
  alike: { id: string; title: string; count: number }[];
  others: { id: string; title: string; counts: number; sections: string[] }[];
  words: Word[];
  ranks: RankShown[];
  conditions: { name: string; beyond: string[] }[];
  halls: HallShown[];
  /** How many came to the last class. */
  comes: number;
  waivers: { key: string; reason: string; by: string; day: string }[];
  mayDecide: boolean;
}
