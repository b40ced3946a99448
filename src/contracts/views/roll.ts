// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.
import type { Leniency, Readiness, Reliability, SequenceKind, TechniqueKind, VerdictWord } from '../../core';
import type { ChanceShown, MissedShown } from './student';
import type { GateShown } from './syllabus';
import type { RankShown } from './shown';

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
  requirements: { id: string; technique: string; condition: string; kind: TechniqueKind | SequenceKind }[];
  gates: GateShown[];
  rows: ReadinessRow[];
}

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

export interface ChancesView {
  rows: ({ studentId: string } & ChanceShown)[];
}

export interface MissedView {
  students: { id: string; name: string; rank: RankShown; missed: MissedShown[] }[];
}

/** How good the chances were. */
export interface CalibrationView {
  gradings: Reliability | null;
  gradingCount: number;
  /** Chances that the next look's points would stand, said by the looks before it. */
  looks: Reliability | null;
  lookCount: number;
  /** Chances, said as of eight weeks ago, that all would be met by today, against what is met. */
  forecasts: Reliability | null;
  forecastCount: number;
  teachers: (Leniency & { name: string })[];
  recent: { name: string; rank: string; day: string; passed: boolean; words: string | null }[];
}

export interface IncidentsView {
  incidents: {
    id: string;
    day: string;
    hurt: string;
    cause: string | null;
    charge: string;
    doing: string;
    what: string;
    done: string;
    head: boolean;
  }[];
  /** Summed per drill. */
  sums: { doing: string; n: number; heads: number; last: string }[];
  people: { id: string; name: string; staff: boolean }[];
  items: { key: string; name: string }[];
  me: string;
  today: string;
}
