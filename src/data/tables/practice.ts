import { foreignKey, index, integer, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { HANDS, JOINTS } from '../../core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';

/** A student's own entry: what they did at home, and what hands and joints say. */
export const practice = onlyAdded(
  pgTable(
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
  ),
);
