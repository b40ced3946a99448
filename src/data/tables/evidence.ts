import { sql } from 'drizzle-orm';
import {
  boolean,
  check,
  doublePrecision,
  foreignKey,
  index,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { POINT_KINDS, SIDES, STAGES, VERDICTS, type CountSlip, type Item } from '../../core';
import { day, instant, schoolId } from './columns';
import { person } from './people';
import { sequence } from './sequence';
import { condition, rank } from './syllabus';
import { point, technique } from './technique';

/** A class that was held; hours and classes of the gates are counted from these. */
export const classHeld = pgTable(
  'class_held',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    day: day('day').notNull(),
    minutes: smallint('minutes').notNull(),
    by: uuid('by'),
    /** What was taught: those who were away are to make it up. */
    taught: jsonb('taught').$type<Item[]>().notNull().default([]),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('class_held_day').on(t.schoolId, t.day)],
);

export const attendance = pgTable(
  'attendance',
  {
    schoolId: schoolId(),
    classId: uuid('class_id').notNull(),
    personId: uuid('person_id').notNull(),
    /** Where they stood, counted from the door: the next class can stand as this one did. */
    place: smallint('place'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.personId, t.classId] }),
    foreignKey({ columns: [t.schoolId, t.classId], foreignColumns: [classHeld.schoolId, classHeld.id] }),
    foreignKey({ columns: [t.schoolId, t.personId], foreignColumns: [person.schoolId, person.id] }),
  ],
);

/** Somebody watched a student do an item. Looks and marks are only added. */
export const look = pgTable(
  'look',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    /** A technique, or a sequence or part of one. */
    techniqueId: uuid('technique_id'),
    sequenceId: uuid('sequence_id'),
    partFrom: smallint('part_from'),
    partTo: smallint('part_to'),
    /** How many counts the sequence had then: marks of counts are read only as long as it has. */
    ofCounts: smallint('of_counts'),
    /** One letter a count, H held, S slipped, U not seen; then a bar and the three points of its own. */
    counts: text('counts'),
    slips: jsonb('slips').$type<CountSlip[]>(),
    stage: text('stage', { enum: STAGES }),
    conditionId: uuid('condition_id').notNull(),
    day: day('day').notNull(),
    at: instant('at').notNull(),
    side: text('side', { enum: SIDES }).notNull(),
    purpose: text('purpose', { enum: ['show', 'study'] }),
    replaces: uuid('replaces'),
    /** Who received it, where it was done with a partner. */
    partnerId: uuid('partner_id'),
    by: uuid('by').notNull(),
    note: text('note').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({
      columns: [t.schoolId, t.studentId],
      foreignColumns: [person.schoolId, person.id],
      name: 'look_student',
    }),
    foreignKey({
      columns: [t.schoolId, t.techniqueId],
      foreignColumns: [technique.schoolId, technique.id],
      name: 'look_technique',
    }),
    foreignKey({
      columns: [t.schoolId, t.sequenceId],
      foreignColumns: [sequence.schoolId, sequence.id],
      name: 'look_sequence',
    }),
    foreignKey({
      columns: [t.schoolId, t.partnerId],
      foreignColumns: [person.schoolId, person.id],
      name: 'look_partner',
    }),
    check('look_one_item', sql`(${t.techniqueId} is null) <> (${t.sequenceId} is null)`),
    foreignKey({
      columns: [t.schoolId, t.conditionId],
      foreignColumns: [condition.schoolId, condition.id],
      name: 'look_condition',
    }),
    foreignKey({ columns: [t.schoolId, t.replaces], foreignColumns: [t.schoolId, t.id], name: 'look_replaces' }),
    index('look_of_student').on(t.schoolId, t.studentId, t.day),
    /** A look is corrected once; whoever corrects the correction replaces that. */
    uniqueIndex('look_replaced_once')
      .on(t.schoolId, t.replaces)
      .where(sql`${t.replaces} is not null`),
    index('look_day').on(t.schoolId, t.day),
  ],
);

export const mark = pgTable(
  'mark',
  {
    schoolId: schoolId(),
    lookId: uuid('look_id').notNull(),
    pointId: uuid('point_id').notNull(),
    kind: text('kind', { enum: POINT_KINDS }).notNull(),
    held: smallint('held').notNull(),
    of: smallint('of').notNull(),
    /** Of measured points: every value is a repetition, judged when read since ranges can be adapted. */
    values: doublePrecision('values').array(),
    /** Which repetition slipped, where that was seen: one letter each, in order. */
    reps: text('reps'),
    /** Of felt points: who felt it. */
    toldBy: uuid('told_by'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.lookId, t.pointId] }),
    foreignKey({ columns: [t.schoolId, t.lookId], foreignColumns: [look.schoolId, look.id] }),
    foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id], name: 'mark_point' }),
    foreignKey({ columns: [t.schoolId, t.toldBy], foreignColumns: [person.schoolId, person.id], name: 'mark_told_by' }),
  ],
);

/** What the head has written for one student: another range, another share, or the point waived. */
export const adaptation = pgTable(
  'adaptation',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    pointId: uuid('point_id').notNull(),
    from: day('from').notNull(),
    rangeLo: doublePrecision('range_lo'),
    rangeHi: doublePrecision('range_hi'),
    share: doublePrecision('share'),
    waived: boolean('waived').notNull().default(false),
    reason: text('reason').notNull(),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id] }),
  ],
);

/** A head's word against the computed one, with its reason; the newest counts, null lifts it. */
export const override = pgTable(
  'override',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    requirementId: uuid('requirement_id').notNull(),
    word: text('word', { enum: VERDICTS }),
    reason: text('reason').notNull(),
    by: uuid('by').notNull(),
    day: day('day').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);

/** What a grading or the head decided of a candidate: kept to see how good the chances were. Only added to. */
export const outcome = pgTable(
  'outcome',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    rankId: uuid('rank_id').notNull(),
    day: day('day').notNull(),
    passed: boolean('passed').notNull(),
    /** The chance that was believed on that day, before it was corrected by outcomes; null where too little was known. */
    chance: doublePrecision('chance'),
    note: text('note').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
    index('outcome_day').on(t.schoolId, t.day),
  ],
);
