import type {
  Agreement,
  BeltResult,
  Decision,
  ExaminerShift,
  GradingRule,
  Measures,
  MarkScale,
  Range,
  SheetMark,
  SheetWord,
  Unit,
  VerdictWord,
} from '../../core';
import type { HallShown } from './hall';
import type { RankShown } from './rank';

/** A certificate there is, and whether it was taken back. */
export interface CertificateShown {
  id: string;
  number: string;
  back: boolean;
}

export interface GradingShown {
  id: string;
  title: string;
  day: string;
  closed: boolean;
  /** A small one, of named items and without a belt. */
  midterm: boolean;
  candidates: number;
  /** Whether who reads examines there, and has handed in. */
  mine: 'no' | 'open' | 'handed in';
}

/** "Which gradings are there?" An examiner sees only those they are invited to. */
export interface GradingsView {
  gradings: GradingShown[];
  teachers: { id: string; name: string; role: string }[];
  halls: HallShown[];
  /** What can be shown at a midterm, by key. */
  items: { id: string; name: string }[];
  usual: GradingRule;
  /** Who is to be graded alone, on any evening, and for which belt; null: nobody. */
  alone: { id: string; name: string; to: RankShown } | null;
  me: string;
  today: string;
  may: { decide: boolean };
}

/** "What do gradings fall by?": over all whose results are let out, belt by belt. */
export interface GradingHistoryView {
  gradings: { id: string; title: string; day: string; midterm: boolean; went: number; passed: number }[];
  belts: {
    to: RankShown;
    went: number;
    passed: number;
    /** Of each item how many stood, of how many of whom it was seen; what fell most first. */
    items: { name: string; stood: number; of: number }[];
  }[];
}

export interface CandidateShown {
  id: string;
  name: string;
  age: number | null;
  rank: RankShown;
  to: RankShown;
  /** Put forward by whom, and what they say to it. */
  putBy: string;
  yes: boolean | null;
  /** Of a minor: who may say it for them. */
  guardians: string[];
  exception: string | null;
  out: string | null;
  /** How many of what is asked are met, and the word of what is furthest. */
  met: number;
  asked: number;
  word: VerdictWord;
  why: string;
  /** What stands in the way besides technique, in words. */
  shut: string[];
  /** An open injury, in words; null: none. */
  rests: string | null;
  /** Consent that counts: the rung from 1; 0 refused, null: nothing on record. */
  rung: number | null;
  chance: string | null;
  decided: BeltResult | null;
}

/** "Who goes up?" */
export interface GradingView {
  grading: {
    id: string;
    title: string;
    day: string;
    hallId: string | null;
    hall: string | null;
    rule: GradingRule;
    /** Keys of the items of a midterm; null: all that each belt asks. */
    items: string[] | null;
    /** Until when everybody has said yes or no. */
    answerBy: string | null;
    version: number;
    closed: boolean;
    /** Belts are given, and everybody reads their own result. */
    letOut: boolean;
  };
  panel: { id: string; name: string; handedIn: boolean }[];
  candidates: CandidateShown[];
  /** Who is on the roll and not put forward, with the next belt. */
  others: { id: string; name: string; rank: RankShown; to: RankShown | null }[];
  teachers: { id: string; name: string; role: string }[];
  halls: HallShown[];
  /** What can be shown at a midterm, by key. */
  items: { id: string; name: string }[];
  me: string;
  today: string;
  may: { decide: boolean; examine: boolean };
}

export interface ExaminePoint {
  id: string;
  name: string;
  how: string;
  critical: boolean;
  canHurt: boolean;
  adapted: string | null;
  /** In what it is measured, from where to where it is accepted, and what is wanted; null: by eye. */
  measured: { unit: Unit | null; accepted: Range; wanted: Range | null; measuredBy: string | null } | null;
  /** Of a count: how others do it, and may. */
  variants: { school: string; does: string }[];
  /** At the first count where a form of a like name goes another way: which, and what it does there. */
  unlike: { form: string; does: string | null }[];
}

export interface ExamineItem {
  requirementId: string;
  name: string;
  condition: string;
  asks: string;
  sided: boolean;
  critical: boolean;
  /** It rests for them on that day, or only some of its points do; null: it does not. */
  rests: { said: string; points: readonly string[] | null } | null;
  /** A form is followed count by count, from the first, and shown once. */
  form: boolean;
  repetitions: number;
  points: ExaminePoint[];
  /** What this examiner has written; never anybody else's. */
  line: { marks: SheetMark[]; word: SheetWord | null; mark: number | null; note: string } | null;
}

/** An examiner's own sheet: nothing of others, of earlier marks, of chances or of corrections. */
export interface ExamineView {
  grading: { id: string; title: string; day: string; closed: boolean };
  /** Marks out of a number are given; null: words. */
  scale: MarkScale | null;
  me: string;
  /** Whose sheet it is, where it is typed in from paper; null: one’s own. */
  typedFor: { id: string; name: string } | null;
  handedInAt: string | null;
  candidates: { id: string; name: string; to: RankShown; items: ExamineItem[] }[];
}

export interface PanelCandidate {
  id: string;
  name: string;
  age: number | null;
  rank: RankShown;
  to: RankShown;
  items: { id: string; name: string; critical: boolean }[];
  rule: Decision;
  /** Of each examiner and item: how many held of how many seen. */
  tallies: {
    examiner: string;
    item: string;
    held: number;
    seen: number;
    mark: number | null;
    note: string;
    putRight: string | null;
    typed: boolean;
  }[];
  /** Points that can hurt and slipped for somebody, in words. */
  hurts: string[];
  /** What the sheets say to the student, each sentence true of them. */
  sentence: string;
  decided: {
    result: BeltResult;
    byRule: BeltResult | null;
    reason: string | null;
    again: string[];
    againBy: string | null;
    sentence: string;
  } | null;
  certificate: CertificateShown | null;
}

/** "Did the panel see the same?" and "Who goes home with a new belt?" Only when every sheet is in. */
export interface PanelView {
  grading: GradingView['grading'];
  panel: GradingView['panel'];
  /** Null: not every sheet is in. */
  seen: {
    all: Agreement;
    /** Cohen, Fleiss, ICC: for whoever knows them. */
    measures: Measures;
    items: ({ id: string; name: string; belt: string } & Agreement)[];
    /** Points that split the panel, and whose belt hangs on the item. */
    splits: { item: string; point: string; differ: number; pairs: number; hangs: string[] }[];
    shifts: (ExaminerShift & { name: string })[];
  } | null;
  candidates: PanelCandidate[];
  today: string;
  may: { decide: boolean };
}
