import { boolean, doublePrecision, foreignKey, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { storedGradingRule } from '../../contracts/stored/gradingRule';
import { storedSheetMarks } from '../../contracts/stored/sheetMarks';
import { BELT_RESULTS, SHEET_WORDS } from '../../core';
import { day, edited, instant, kept, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { rank } from './rank';

/** A grading; closed, nothing of it changes any more; let out, belts are given and everybody reads their own result. */
export const grading = pgTable(
  'grading',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    title: text('title').notNull(),
    day: day('day').notNull(),
    hallId: uuid('hall_id'),
    rule: kept('rule', storedGradingRule).notNull(),
    /** Keys of the items that are shown, without a belt: a midterm. Null: all that each belt asks. */
    items: jsonb('items').$type<string[]>(),
    /** Until when everybody has said yes or no. */
    answerBy: day('answer_by'),
    closedAt: instant('closed_at'),
    letOutAt: instant('let_out_at'),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);

/** Who examines at a grading, and since when their sheet is handed in. */
export const panelMember = pgTable(
  'panel_member',
  {
    schoolId: schoolId(),
    gradingId: uuid('grading_id').notNull(),
    personId: uuid('person_id').notNull(),
    handedInAt: instant('handed_in_at'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.gradingId, t.personId] }),
    foreignKey({ columns: [t.schoolId, t.gradingId], foreignColumns: [grading.schoolId, grading.id] }),
    foreignKey({ columns: [t.schoolId, t.personId], foreignColumns: [person.schoolId, person.id] }),
  ],
);

/** Who goes up for which belt: put forward by whom, what they say to it, and why they are out, where they are. */
export const candidate = pgTable(
  'candidate',
  {
    schoolId: schoolId(),
    gradingId: uuid('grading_id').notNull(),
    studentId: uuid('student_id').notNull(),
    rankId: uuid('rank_id').notNull(),
    putBy: uuid('put_by').notNull(),
    /** The head’s, where something is missing and they go up all the same. */
    exception: text('exception'),
    /** Null: has not said yet. */
    yes: boolean('yes'),
    saidBy: uuid('said_by'),
    out: text('out'),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.gradingId, t.studentId] }),
    foreignKey({ columns: [t.schoolId, t.gradingId], foreignColumns: [grading.schoolId, grading.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
  ],
);

/** What an examiner wrote of one item of one candidate; the newest counts. */
export const sheetLine = onlyAdded(
  pgTable(
    'sheet_line',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      gradingId: uuid('grading_id').notNull(),
      examinerId: uuid('examiner_id').notNull(),
      studentId: uuid('student_id').notNull(),
      requirementId: uuid('requirement_id').notNull(),
      marks: kept('marks', storedSheetMarks).notNull(),
      word: text('word', { enum: SHEET_WORDS }),
      /** By the scale of the rule, where it has one. */
      mark: doublePrecision('mark'),
      note: text('note').notNull().default(''),
      /** Whoever typed it in from paper; null: the examiner themself. */
      typedBy: uuid('typed_by'),
      /** Why it was changed after the sheet was handed in. */
      reason: text('reason'),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({
        columns: [t.schoolId, t.gradingId, t.examinerId],
        foreignColumns: [panelMember.schoolId, panelMember.gradingId, panelMember.personId],
        name: 'sheet_line_examiner',
      }),
      foreignKey({
        columns: [t.schoolId, t.gradingId, t.studentId],
        foreignColumns: [candidate.schoolId, candidate.gradingId, candidate.studentId],
        name: 'sheet_line_candidate',
      }),
    ],
  ),
);

/** What was decided of a candidate; until the grading is closed it can be decided again. */
export const gradingDecision = pgTable(
  'grading_decision',
  {
    schoolId: schoolId(),
    gradingId: uuid('grading_id').notNull(),
    studentId: uuid('student_id').notNull(),
    result: text('result', { enum: BELT_RESULTS }).notNull(),
    /** What the rule made of the sheets then; null: it could not say. */
    byRule: text('by_rule', { enum: BELT_RESULTS }),
    reason: text('reason'),
    again: jsonb('again').$type<string[]>().notNull().default([]),
    againBy: day('again_by'),
    sentence: text('sentence').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.gradingId, t.studentId] }),
    foreignKey({
      columns: [t.schoolId, t.gradingId, t.studentId],
      foreignColumns: [candidate.schoolId, candidate.gradingId, candidate.studentId],
      name: 'grading_decision_candidate',
    }),
  ],
);
