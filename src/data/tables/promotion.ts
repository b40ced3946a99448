import { foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { rank } from './rank';

/** A belt somebody was given: the newest is the one worn. */
export const rankHeld = onlyAdded(
  pgTable(
    'rank_held',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      personId: uuid('person_id').notNull(),
      rankId: uuid('rank_id').notNull(),
      since: day('since').notNull(),
      note: text('note').notNull().default(''),
      by: uuid('by'),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.personId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
      index('rank_held_person').on(t.schoolId, t.personId),
    ],
  ),
);
