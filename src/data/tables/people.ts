import { foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, schoolId } from './columns';
import { rank } from './syllabus';

export const school = pgTable('school', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  madeAt: instant('made_at').notNull().defaultNow(),
});

/** Everybody of the school: students, and those who teach or examine. */
export const person = pgTable(
  'person',
  {
    schoolId: schoolId().references(() => school.id),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    role: text('role', { enum: ['head', 'instructor', 'examiner', 'student'] }).notNull(),
    born: day('born'),
    /** The sign-in this person uses; null for who has none. */
    userId: text('user_id'),
    leftOn: day('left_on'),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('person_user').on(t.schoolId, t.userId)],
);

/** A belt somebody was given: the newest is the one worn. Only added to. */
export const rankHeld = pgTable(
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
);
