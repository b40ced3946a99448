import { doublePrecision, foreignKey, index, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { RUNGS } from '../../core';
import { day, edited, instant, schoolId } from './columns';
import { rank } from './syllabus';

export const school = pgTable('school', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  madeAt: instant('made_at').notNull().defaultNow(),
});

/** Everybody of the school: students, and those who teach or examine. */
export const person = pgTable(
  'person',
  {
    schoolId: schoolId().references(() => school.id),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    role: text('role', { enum: ['head', 'instructor', 'examiner', 'student', 'guardian'] }).notNull(),
    born: day('born'),
    /** The sign-in this person uses; null for who has none. */
    userId: text('user_id'),
    leftOn: day('left_on'),
    /** The floor a student has at home, in metres, and their height in centimetres; null: not said. */
    roomWidth: doublePrecision('room_width'),
    roomDepth: doublePrecision('room_depth'),
    stature: smallint('stature'),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('person_user').on(t.schoolId, t.userId)],
);

/** A belt somebody was given: the newest is the one worn. Only added to. */
export const rankHeld = pgTable(
  'rank_held',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    personId: uuid('person_id').notNull(),
    rankId: uuid('rank_id').notNull(),
    since: day('since').notNull(),
    note: text('note').notNull().default(''),
    by: uuid('by'),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.personId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
    index('rank_held_person').on(t.schoolId, t.personId),
  ],
);

/** Consent to a rung of contact, or its refusal (null, and no reason is asked). Only added to; the newest counts. */
export const consent = pgTable(
  'consent',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    rung: text('rung', { enum: RUNGS }),
    day: day('day').notNull(),
    /** Who agreed for a minor; empty: nobody did. */
    guardian: text('guardian').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);

/** An injury with the day until which the matching work rests. No diagnosis is kept. */
export const injury = pgTable(
  'injury',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    what: text('what').notNull(),
    from: day('from').notNull(),
    until: day('until').notNull(),
    by: uuid('by').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);
