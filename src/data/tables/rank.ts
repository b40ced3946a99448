import { sql } from 'drizzle-orm';
import { integer, jsonb, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import type { Cloth } from '../../contracts/rank';
import { edited, schoolId } from './columns';

export const rank = pgTable(
  'rank',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    cloth: jsonb('cloth').$type<Cloth>().notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), uniqueIndex('rank_name').on(t.schoolId, sql`lower(${t.name})`)],
);
