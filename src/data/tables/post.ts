import { pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { storedPost } from '../../contracts/stored/post';
import { edited, kept, schoolId } from './columns';

/** Posts that are planned, each for somebody or for whoever comes. */
export const post = pgTable(
  'post',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    post: kept('post', storedPost).notNull(),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);
