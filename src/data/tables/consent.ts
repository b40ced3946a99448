import { foreignKey, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { RUNGS } from '../../core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';

/** Consent to a rung of contact, or its refusal (null, and no reason is asked). The newest counts. */
export const consent = onlyAdded(
  pgTable(
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
  ),
);
