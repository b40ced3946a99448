import { foreignKey, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { VERDICTS } from '../../core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';

/** A head's word against the computed one, with its reason; the newest counts, null lifts it. */
export const override = onlyAdded(
  pgTable(
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
  ),
);
