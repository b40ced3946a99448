import { foreignKey, index, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, schoolId } from './columns';
import { person } from './person';

/** Who worked with whom in a round of a class, at which rung, and who was first. */
export const paired = pgTable(
  'paired',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    classId: uuid('class_id').notNull(),
    blockId: uuid('block_id').notNull(),
    round: smallint('round').notNull(),
    day: day('day').notNull(),
    a: uuid('a').notNull(),
    b: uuid('b').notNull(),
    c: uuid('c'),
    rung: smallint('rung').notNull(),
    first: uuid('first').notNull(),
    by: uuid('by'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.a], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.b], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.c], foreignColumns: [person.schoolId, person.id] }),
    index('paired_day').on(t.schoolId, t.day),
    index('paired_round').on(t.schoolId, t.classId, t.blockId, t.round),
  ],
);

/** Two who never work together, or who would like to; who said so is for the head alone. */
export const partners = pgTable(
  'partners',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    a: uuid('a').notNull(),
    b: uuid('b').notNull(),
    kind: text('kind', { enum: ['apart', 'together'] }).notNull(),
    why: text('why').notNull().default(''),
    by: uuid('by').notNull(),
    at: instant('at').notNull().defaultNow(),
    endedAt: instant('ended_at'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.a], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.b], foreignColumns: [person.schoolId, person.id] }),
  ],
);
