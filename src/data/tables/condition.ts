import { sql } from 'drizzle-orm';
import { integer, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { edited, schoolId } from './columns';

export const condition = pgTable(
  'condition',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    uniqueIndex('condition_name').on(t.schoolId, sql`lower(${t.name})`),
  ],
);
