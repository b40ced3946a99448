// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.
import type { Readiness, SequenceKind, TechniqueKind, VerdictWord } from '../../core';
import type { GateShown } from './gate';
import type { RankShown } from './rank';

export interface ReadinessRow {
  id: string;
  name: string;
  age: number | null;
  since: string;
  /** In the order of the requirements; null: the version this student follows does not ask it. */
  words: (VerdictWord | null)[];
  gates: ('met' | 'short' | null)[];
  group: Readiness;
  looks: number;
}

export interface ReadinessView {
  rank: RankShown;
  next: RankShown | null;
  ranks: RankShown[];
  requirements: { id: string; name: string; condition: string; kind: TechniqueKind | SequenceKind }[];
  gates: GateShown[];
  rows: ReadinessRow[];
}
