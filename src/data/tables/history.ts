import { sql } from 'drizzle-orm';
import { index, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { instant, onlyAdded, schoolId } from './columns';

/** Every command that was done, by its id: what makes it happen once, and who changed what. */
export const history = onlyAdded(
  pgTable(
    'history',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      command: text('command').notNull(),
      by: uuid('by').notNull(),
      /** When the person did it, by the device's clock, and when the server did. */
      madeAt: instant('made_at').notNull(),
      doneAt: instant('done_at').notNull().defaultNow(),
      /** Of what was sent, so that another thing under the same id is known; null: sent before digests were kept. */
      digest: text('digest'),
      input: jsonb('input').$type<unknown>().notNull(),
      answer: jsonb('answer').$type<unknown>().notNull(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      // Lists that came in are few among millions of marks.
      index('history_imports')
        .on(t.schoolId, t.madeAt)
        .where(sql`${t.command} = 'student.import'`),
    ],
  ),
);
