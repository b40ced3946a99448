import { pgTable, text, uuid } from 'drizzle-orm/pg-core';
import { instant } from './columns';

export const school = pgTable('school', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  madeAt: instant('made_at').notNull().defaultNow(),
});
