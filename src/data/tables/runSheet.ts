import { foreignKey, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { storedRunSheet } from '../../contracts/stored/runSheet';
import { edited, kept, schoolId } from './columns';
import { grading } from './grading';

/** How the day of a grading runs. */
export const runSheet = pgTable(
  'run_sheet',
  {
    schoolId: schoolId(),
    gradingId: uuid('grading_id').notNull(),
    day: kept('day', storedRunSheet).notNull(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.gradingId] }),
    foreignKey({ columns: [t.schoolId, t.gradingId], foreignColumns: [grading.schoolId, grading.id] }),
  ],
);
