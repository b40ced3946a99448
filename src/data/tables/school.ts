import { pgTable, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';

export const school = pgTable('school', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  /** So many days back an instructor may put a class right; the head may go further. */
  classDays: smallint('class_days').notNull().default(14),
  madeAt: instant('made_at').notNull().defaultNow(),
});
