import { sql } from 'drizzle-orm';
import { CONDITION_GEAR, FREEDOMS } from '../../core';
import { boolean, integer, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { edited, schoolId } from './columns';

export const condition = pgTable(
  'condition',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    partner: boolean('partner').notNull(),
    gear: text('gear', { enum: CONDITION_GEAR }),
    home: boolean('home').notNull(),
    attacker: text('attacker', { enum: FREEDOMS }),
    defender: text('defender', { enum: FREEDOMS }),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    uniqueIndex('condition_name').on(t.schoolId, sql`lower(${t.name})`),
  ],
);
