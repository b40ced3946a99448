import type { TechniqueFile } from '../../contracts/techniqueFile';
import type {
  ConditionFacts,
  ConditionOrder,
  Look,
  PlainDate,
  Requirement,
  SheetLine,
  Side,
  Technique,
} from '../../core';
import type { DEMO_ASKS, DEMO_RANKS } from './syllabus';

export const DEMO_SCHOOL_ID = '0197f3a0-0000-7000-8000-00000000ca0e';

export interface DemoLook extends Look {
  studentId: string;
  by: string;
  note: string;
}

export interface DemoStudent {
  id: string;
  name: string;
  born: PlainDate;
  /** Belts given, oldest first. */
  held: { rankId: string; since: PlainDate; note: string }[];
  talent: number;
  comes: number;
  habits: number;
  /** What the last grading decided; null: not a candidate. */
  graded: { rankId: string; passed: boolean; sheets: readonly SheetLine[] } | null;
}

export interface DemoSchool {
  ranks: { id: string; name: string; cloth: (typeof DEMO_RANKS)[number]['cloth'] }[];
  conditions: ({ id: string; name: string } & ConditionFacts)[];
  order: ConditionOrder;
  techniques: Technique[];
  /** The techniques as their file has them. */
  files: ReadonlyMap<string, TechniqueFile>;
  requirements: (Requirement & { rankId: string })[];
  gates: { id: string; rankId: string; kind: (typeof DEMO_ASKS)[string]['gates'][number][0]; amount: number }[];
  teachers: { id: string; name: string; role: 'head' | 'instructor' | 'examiner' }[];
  students: DemoStudent[];
  classes: { id: string; day: PlainDate; minutes: number; present: string[] }[];
  looks: DemoLook[];
  gradingDay: PlainDate;
  nextGradingDay: PlainDate;
  /** The known truth: the chance that a repetition of this point on this side holds on a day, in air or easier. */
  truth(studentId: string, pointId: string, side: Side, day: PlainDate): number;
}

export const MONTHS_OF_RECORD = 14;
