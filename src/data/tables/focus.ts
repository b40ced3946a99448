import { boolean, foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { SIDES } from '../../core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { point } from './point';

/** The one correction a student was given; the newest counts until it holds. */
export const focusGiven = onlyAdded(
  pgTable(
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
  ),
);
