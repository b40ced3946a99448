// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.
import type { RankShown } from './rank';

export interface RollLineShown {
  id: string;
  name: string;
  born: string | null;
  age: number | null;
  rankId: string;
  since: string;
  lastHere: string | null;
  hasSignIn: boolean;
}

export interface RollView {
  ranks: RankShown[];
  students: RollLineShown[];
  leftLately: { id: string; name: string; leftOn: string }[];
  /** The next day on which the school grades; null: none is set. */
  gradingDay: string | null;
}
