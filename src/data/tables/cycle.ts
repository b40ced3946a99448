import { index, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { storedCycle } from '../../contracts/stored/cycle';
import { day, edited, kept, schoolId } from './columns';

/** Weeks of classes towards a day. */
export const cycle = pgTable(
  'cycle',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    from: day('from').notNull(),
    day: day('day').notNull(),
    cycle: kept('cycle', storedCycle).notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('cycle_day').on(t.schoolId, t.day)],
);
