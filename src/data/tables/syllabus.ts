import { integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import type { Cloth } from '../../contracts/syllabus';
import { schoolId } from './columns';

export const rank = pgTable(
  'rank',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    cloth: jsonb('cloth').$type<Cloth>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);

export const condition = pgTable(
  'condition',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);
