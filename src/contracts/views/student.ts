// What is shown of one student.
import type {
  BeltResult,
  Item,
  Practice,
  PracticeSum,
  Reader,
  Rung,
  SequenceKind,
  Side,
  TechniqueKind,
  VerdictWord,
} from '../../core';
import type { ChanceShown } from './chance';
import type { FocusShown, SlipShown } from './focus';
import type { MissedShown } from './missed';
import type { CertificateShown } from './grading';
import type { RankShown } from './rank';

/** The newest marks at one requirement's deciding points, oldest first: held share of each repetition shown as H or S. */
export interface StickShown {
  side: Side;
  marks: ('H' | 'S' | 'U')[];
  /** After how many of them the point was shown, and lost; null: not while these were made. */
  shown: number | null;
  lost: number | null;
}

export interface RequirementVerdict {
  id: string;
  item: Item;
  name: string;
  kind: TechniqueKind | SequenceKind;
  condition: string;
  asks: string;
  word: VerdictWord;
  computed: VerdictWord;
  reason: string;
  change: string;
  sticks: StickShown[];
  override: { word: VerdictWord; reason: string; by: string; day: string } | null;
  /** How likely it passes on the day; null: too few looks to say. */
  chance: { words: string; chance: number; looks: number } | null;
  /** Why the work rests; null: it does not. */
  rests: string | null;
  /** The working: every point on every side. */
  points: {
    pointId: string;
    name: string;
    side: Side;
    critical: boolean;
    held: number;
    of: number;
    days: number;
    needs: string;
    stands: boolean;
    adapted: boolean;
  }[];
}

export interface StudentView {
  student: {
    id: string;
    name: string;
    age: number | null;
    born: string | null;
    leftOn: string | null;
    version: number;
    rank: RankShown;
    since: string;
  };
  next: RankShown | null;
  /** The newest word on contact; `counts` is false where a guardian's agreement is missing. */
  consent: { id: string; rung: Rung | null; day: string; guardian: string; counts: boolean } | null;
  /** Everything said about contact before, newest first. */
  /** The gradings to come at which this student is put forward, the next first, and what they said to each. */
  invited: {
    gradingId: string;
    day: string;
    /** Of named items, without a belt. */
    midterm: boolean;
    answerBy: string | null;
    to: RankShown;
    yes: boolean | null;
    out: string | null;
  }[];
  /** What the last closed grading decided; of a part again, what and by when. */
  graded: {
    day: string;
    midterm: boolean;
    to: RankShown;
    result: BeltResult;
    sentence: string;
    again: string[];
    againBy: string | null;
  } | null;
  /** Certificates of the belts, the newest first. */
  certificates: (CertificateShown & { day: string; to: RankShown })[];
  /** The belt worn has none: its row, for a head to give one; else null. */
  certifiable: string | null;
  /** How far who reads may say that contact goes, and why not further; null: they may not say. */
  consentSaid: { most: number; asksGuardian: boolean; because: string; minor: boolean } | null;
  consentBefore: { rung: Rung | null; day: string; guardian: string }[];
  /** The newest word on pictures kept on a device; `counts` is false where a guardian's agreement is missing. */
  pictures: { agreed: boolean; day: string; guardian: string; counts: boolean } | null;
  /** Whether who reads may say yes to them, and why not; null: they may not say. */
  picturesSaid: StudentView['consentSaid'];
  /** Open injuries: which work rests, and until when. */
  injuries: { id: string; what: string; from: string; until: string }[];
  /** The version of the syllabus this student is judged by; null: none is published. */
  follows: { title: string; from: string; newest: boolean } | null;
  answer: string;
  requirements: RequirementVerdict[];
  gates: { id: string; word: 'met' | 'short'; has: string; asks: string }[];
  ranks: RankShown[];
  held: { id: string; rank: RankShown; since: string; note: string }[];
  /** What gradings or the head decided, newest first; teachers read it. */
  decisions: { id: string; rank: string; day: string; passed: boolean; note: string }[];
  adaptations: {
    id: string;
    point: string;
    technique: string;
    from: string;
    what: string;
    reason: string;
    by: string;
  }[];
  looks: {
    id: string;
    day: string;
    technique: string;
    condition: string;
    side: Side;
    by: string;
    note: string;
    held: number;
    of: number;
    /** Of a showing: which counts slipped. */
    shown: string;
  }[];
  lookCount: number;
  /** How likely the belt passes on the day, gates aside; null: too few looks to say. */
  chance: ChanceShown | null;
  focus: FocusShown | null;
  praise: string;
  /** Everything that slips, in the order in which it is worth correcting. */
  slips: SlipShown[];
  pauses: { id: string; item: string; habit: string; from: string; until: string | null }[];
  /** What of their work that lands on something rests, and until when. */
  stops: { what: string; until: string | null }[];
  practice: PracticeSum & { list: (Practice & { id: string; what: string })[] };
  room: { width: number | null; depth: number | null; stature: number | null; mass: number | null };
  /** With whom they never work, or would like to; for those who teach. Who said so is told to the head alone. */
  partners: {
    id: string;
    other: string;
    kind: 'apart' | 'together';
    said: { by: string; why: string; day: string } | null;
    /** Whether the reader may end it. */
    mine: boolean;
  }[];
  /** Everybody on the roll, to choose a partner from; empty for others than those who teach. */
  classmates: { id: string; name: string }[];
  missed: MissedShown[];
  /** Felt points that this student can tell of, from looks of the last days: of their own work, or of a partner's. */
  feltAsked: {
    /** Whose work it was: the student's own, or a partner's of the same class. */
    studentId: string;
    whose: string | null;
    /** Whether they certainly felt it: their own work, or noted as the partner. */
    sure: boolean;
    techniqueId: string;
    technique: string;
    pointId: string;
    point: string;
    conditionId: string;
    condition: string;
    side: Side;
    day: string;
  }[];
  /** What earlier belts asked that has gone stale since. */
  faded: { rank: RankShown; item: string; itemKey: string; reason: string }[];
  gradingDay: string | null;
  access: { email: string | null };
  /** For whom the page is, and so in whose words. */
  reader: Reader;
  may: { decide: boolean; look: boolean; log: boolean };
  today: string;
}
