import { text, uuid } from 'drizzle-orm/pg-core';
import { auth } from './auth';
import { instant } from './columns';

/**
 * Addresses from which calendars fetch the classes, each with a secret of which only the hash is kept: asked by programs
 * without a sign-in, before the school is known. Taken back it is gone.
 */
export const calendarAddress = auth.table('calendar_address', {
  hash: text('hash').primaryKey(),
  schoolId: uuid('school_id').notNull(),
  id: uuid('id').notNull(),
  /** For whom or what it was given. */
  name: text('name').notNull(),
  by: uuid('by'),
  at: instant('at').notNull().defaultNow(),
});
