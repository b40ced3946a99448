import { boolean, foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { storedClassPlan } from '../../contracts/stored/classPlan';
import { storedClassRun } from '../../contracts/stored/classRun';
import { day, edited, instant, kept, schoolId } from './columns';
import { hall } from './hall';

/** A class as it is meant to go, and how far it has come; the class that is held from it has the same id. */
export const classPlan = pgTable(
  'class_plan',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    day: day('day').notNull(),
    hallId: uuid('hall_id'),
    plan: kept('plan', storedClassPlan).notNull(),
    /** Null: it has not begun. */
    run: kept('run', storedClassRun),
    closedAt: instant('closed_at'),
    /** What is to be remembered of it. */
    note: text('note').notNull().default(''),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.hallId], foreignColumns: [hall.schoolId, hall.id] }),
    index('class_plan_day').on(t.schoolId, t.day),
  ],
);

/** Somebody who came to a class and is not on the roll: a guest, or a first-timer. */
export const guest = pgTable(
  'guest',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    classId: uuid('class_id').notNull(),
    day: day('day').notNull(),
    name: text('name').notNull(),
    /** Not of age, or nobody asked. */
    minor: boolean('minor').notNull(),
    /** Whom to call; of a minor the guardian's. */
    phone: text('phone').notNull().default(''),
    by: uuid('by'),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('guest_day').on(t.schoolId, t.day)],
);

/** What was noted while a class ran; the evening's own note is written when it is closed. */
export const classNote = pgTable(
  'class_note',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    classId: uuid('class_id').notNull(),
    day: day('day').notNull(),
    /** What the block was called then. */
    block: text('block').notNull(),
    said: text('said').notNull(),
    by: uuid('by'),
    at: instant('at').notNull().defaultNow(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('class_note_class').on(t.schoolId, t.classId)],
);
