import { sql } from 'drizzle-orm';
import { integer, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { storedCloth } from '../../contracts/stored/cloth';
import { edited, kept, schoolId } from './columns';

export const rank = pgTable(
  'rank',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    cloth: kept('cloth', storedCloth).notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), uniqueIndex('rank_name').on(t.schoolId, sql`lower(${t.name})`)],
);
