import { sql } from 'drizzle-orm';
import { doublePrecision, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { edited, schoolId } from './columns';

/** A room the school trains in, in metres. */
export const hall = pgTable(
  'hall',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    width: doublePrecision('width').notNull(),
    depth: doublePrecision('depth').notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), uniqueIndex('hall_name').on(t.schoolId, sql`lower(${t.name})`)],
);
