import { date, timestamp, uuid } from 'drizzle-orm/pg-core';

/** The school every row belongs to: first column of every primary and foreign key. */
export const schoolId = () => uuid('school_id').notNull();
export const day = (name: string) => date(name, { mode: 'string' });
export const instant = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
