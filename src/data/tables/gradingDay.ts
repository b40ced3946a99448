import { pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { day, schoolId } from './columns';

/** Days on which the school grades; the next one is what looks and forecasts aim at. */
export const gradingDay = pgTable(
  'grading_day',
  { schoolId: schoolId(), day: day('day').notNull(), by: uuid('by').notNull() },
  (t) => [primaryKey({ columns: [t.schoolId, t.day] })],
);
