import { foreignKey, index, pgTable, primaryKey, smallint, uuid } from 'drizzle-orm/pg-core';
import { storedTaught } from '../../contracts/stored/taught';
import { day, instant, kept, schoolId } from './columns';
import { person } from './person';

/** A class that was held; hours and classes of the gates are counted from these. */
export const classHeld = pgTable(
  'class_held',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    day: day('day').notNull(),
    minutes: smallint('minutes').notNull(),
    by: uuid('by'),
    /** When it was opened at the mat; null: written in afterwards. */
    openedAt: instant('opened_at'),
    /** What was taught: those who were away are to make it up. */
    taught: kept('taught', storedTaught).notNull().default([]),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('class_held_day').on(t.schoolId, t.day)],
);

export const attendance = pgTable(
  'attendance',
  {
    schoolId: schoolId(),
    classId: uuid('class_id').notNull(),
    personId: uuid('person_id').notNull(),
    /** Where they stood, counted from the door: the next class can stand as this one did. */
    place: smallint('place'),
    /** When they came late or left early, in minutes after midnight; null: they were there from the start, or to the end. */
    came: smallint('came'),
    went: smallint('went'),
    /** How many minutes of the class they had; null: all of it. Hours of the gates are counted by the minute. */
    minutes: smallint('minutes'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.personId, t.classId] }),
    foreignKey({ columns: [t.schoolId, t.classId], foreignColumns: [classHeld.schoolId, classHeld.id] }),
    foreignKey({ columns: [t.schoolId, t.personId], foreignColumns: [person.schoolId, person.id] }),
    index('attendance_of_class').on(t.schoolId, t.classId),
  ],
);
