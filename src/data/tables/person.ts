import { doublePrecision, index, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { day, edited, schoolId } from './columns';
import { school } from './school';

/** Everybody of the school: students, and those who teach or examine. */
export const person = pgTable(
  'person',
  {
    schoolId: schoolId().references(() => school.id),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    role: text('role', { enum: ['head', 'instructor', 'examiner', 'student', 'guardian'] }).notNull(),
    born: day('born'),
    /** The sign-in this person uses; null for who has none. */
    userId: text('user_id'),
    leftOn: day('left_on'),
    /** The floor a student has at home, in metres, their height in centimetres and weight in kilograms; null: not said. */
    roomWidth: doublePrecision('room_width'),
    roomDepth: doublePrecision('room_depth'),
    stature: smallint('stature'),
    mass: smallint('mass'),
    ...edited(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('person_user').on(t.schoolId, t.userId)],
);
