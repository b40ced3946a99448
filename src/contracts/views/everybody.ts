// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.
import type { Readiness, VerdictWord } from '../../core';
import type { RankShown } from './rank';

/** Everybody against their own next belt, in one list. */
export interface EverybodyView {
  rows: {
    id: string;
    name: string;
    rank: RankShown;
    next: RankShown;
    words: VerdictWord[];
    shut: number;
    group: Readiness;
    looks: number;
    missing: string;
    /** What is in the way first, in one line. */
    first: string;
  }[];
  ranks: RankShown[];
  gradingDay: string | null;
}
