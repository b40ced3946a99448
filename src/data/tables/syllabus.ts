import { sql } from 'drizzle-orm';
import { foreignKey, integer, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { storedSyllabus } from '../../contracts/stored/syllabus';
import { day, instant, kept, onlyAdded, schoolId } from './columns';
import { person } from './person';

/**
 * The syllabus, stored whole: one draft that changes, and published versions that never do (a trigger sees to it).
 * `from` is the day from which a published one counts.
 */
export const syllabusVersion = pgTable(
  'syllabus_version',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    state: text('state', { enum: ['draft', 'published'] }).notNull(),
    title: text('title').notNull(),
    body: kept('body', storedSyllabus).notNull(),
    from: day('from'),
    /** Goes up with every change of the draft. */
    version: integer('version').notNull().default(1),
    changedAt: instant('changed_at').notNull().defaultNow(),
    changedBy: uuid('changed_by'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    uniqueIndex('syllabus_one_draft')
      .on(t.schoolId)
      .where(sql`${t.state} = 'draft'`),
    uniqueIndex('syllabus_from')
      .on(t.schoolId, t.from)
      .where(sql`${t.state} = 'published'`),
  ],
);

/** A student moved to another version than the one their cycle began with; the newest counts, until the next belt. */
export const syllabusFollowed = onlyAdded(
  pgTable(
    'syllabus_followed',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      versionId: uuid('version_id').notNull(),
      day: day('day').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({
        columns: [t.schoolId, t.versionId],
        foreignColumns: [syllabusVersion.schoolId, syllabusVersion.id],
      }),
    ],
  ),
);
