import { foreignKey, integer, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { SIDES } from '../../core';
import { day, instant, schoolId } from './columns';
import { person } from './person';

/**
 * What is known of a student at one point, side, condition, purpose and stage: the looks that can still matter, packed.
 * Everything in it says again what looks and marks say; it is written in the transaction of the look that changes it, and
 * can be made anew from them.
 */
export const standing = pgTable(
  'standing',
  {
    schoolId: schoolId(),
    studentId: uuid('student_id').notNull(),
    /** A point; or a sequence, whose showings say something of each of its counts. */
    of: uuid('of').notNull(),
    /** Of a sequence: the count from which it was shown. Of a point: 0. */
    fromCount: smallint('from_count').notNull(),
    side: text('side', { enum: SIDES }).notNull(),
    conditionId: uuid('condition_id').notNull(),
    /** Empty where it was not said. */
    purpose: text('purpose').notNull(),
    stage: text('stage').notNull(),
    /** Parted by `;`, in no order: day number, instant in ms, held, of and values; of a showing its counts and marks. */
    entries: text('entries').notNull(),
    /** How many were laid on since what is too old was last taken out. */
    grown: smallint('grown').notNull().default(0),
  },
  (t) => [
    primaryKey({
      name: 'standing_pk',
      columns: [t.schoolId, t.studentId, t.of, t.fromCount, t.side, t.conditionId, t.purpose, t.stage],
    }),
    foreignKey({
      columns: [t.schoolId, t.studentId],
      foreignColumns: [person.schoolId, person.id],
      name: 'standing_student',
    }),
  ],
);

/**
 * How often what is judged has changed: of one person, of the whole school where the id is the school's, of the draft of
 * its syllabus where it is `DRAFT`. Who has read something at one number need not read it again while the number stays.
 */
export const change = pgTable(
  'change',
  {
    schoolId: schoolId(),
    of: uuid('of').notNull(),
    times: integer('times').notNull().default(1),
    /** Of a student: looks that stand. */
    looks: integer('looks').notNull().default(0),
    /** Of a student: when the server took the last look at them. */
    lookedAt: instant('looked_at'),
    /** Of a student: the day of the last class they were in. */
    lastHere: day('last_here'),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.of] })],
);

/** What stands for the draft of a syllabus in `change`. */
export const DRAFT = '00000000-0000-0000-0000-000000000000';
