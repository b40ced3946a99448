import { integer, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { storedThing } from '../../contracts/stored/thing';
import { edited, kept, schoolId } from './columns';

/** What the hall owns, a kind a row with all its pieces. */
export const thing = pgTable(
  'thing',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull().default(0),
    thing: kept('thing', storedThing).notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);
