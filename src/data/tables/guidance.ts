import { boolean, foreignKey, index, integer, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { HANDS, JOINTS, SIDES } from '../../core';
import { day, instant, schoolId } from './columns';
import { person } from './people';
import { sequence } from './sequence';
import { point, technique } from './technique';

/** The one correction a student was given; the newest counts until it holds. Only added to. */
export const focusGiven = pgTable(
  'focus_given',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    pointId: uuid('point_id').notNull(),
    side: text('side', { enum: SIDES }).notNull(),
    day: day('day').notNull(),
    /** Whether a teacher chose another than the rule names, and why. */
    chosen: boolean('chosen').notNull(),
    reason: text('reason').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id] }),
    index('focus_of_student').on(t.schoolId, t.studentId),
  ],
);

/** A student's own entry: what they did at home, and what hands and joints say. Only added to. */
export const practice = pgTable(
  'practice',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    day: day('day').notNull(),
    minutes: smallint('minutes').notNull(),
    repetitions: integer('repetitions').notNull().default(0),
    /** Strikes on a post or bag. */
    strikes: integer('strikes').notNull().default(0),
    hands: text('hands', { enum: HANDS }).notNull(),
    joints: text('joints', { enum: JOINTS }).notNull(),
    what: text('what').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    index('practice_of_student').on(t.schoolId, t.studentId, t.day),
  ],
);

/** Work laid off for a student until a habit is gone; `until` is set when it is taken up again. */
export const pause = pgTable(
  'pause',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    techniqueId: uuid('technique_id'),
    sequenceId: uuid('sequence_id'),
    /** The habit that has to go. */
    habit: text('habit').notNull(),
    from: day('from').notNull(),
    until: day('until'),
    by: uuid('by').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
    foreignKey({ columns: [t.schoolId, t.sequenceId], foreignColumns: [sequence.schoolId, sequence.id] }),
    index('pause_of_student').on(t.schoolId, t.studentId),
  ],
);

/** Somebody was hurt: who, by whom (null: nobody else), who was in charge, doing what. Only added to. */
export const incident = pgTable(
  'incident',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    day: day('day').notNull(),
    hurtId: uuid('hurt_id').notNull(),
    causeId: uuid('cause_id'),
    chargeId: uuid('charge_id').notNull(),
    techniqueId: uuid('technique_id'),
    sequenceId: uuid('sequence_id'),
    /** What they were doing, where it is neither a technique nor a sequence. */
    doing: text('doing').notNull().default(''),
    what: text('what').notNull(),
    done: text('done').notNull().default(''),
    /** A knock to the head: off the floor, and not back the same day. */
    head: boolean('head').notNull(),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.hurtId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.causeId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.chargeId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
    foreignKey({ columns: [t.schoolId, t.sequenceId], foreignColumns: [sequence.schoolId, sequence.id] }),
    index('incident_day').on(t.schoolId, t.day),
  ],
);

/** Days on which the school grades; the next one is what looks and forecasts aim at. */
export const gradingDay = pgTable(
  'grading_day',
  { schoolId: schoolId(), day: day('day').notNull(), by: uuid('by').notNull() },
  (t) => [primaryKey({ columns: [t.schoolId, t.day] })],
);

/** Who answers for a minor and may see their page. */
export const guardianOf = pgTable(
  'guardian_of',
  { schoolId: schoolId(), guardianId: uuid('guardian_id').notNull(), studentId: uuid('student_id').notNull() },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.guardianId, t.studentId] }),
    foreignKey({ columns: [t.schoolId, t.guardianId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);
