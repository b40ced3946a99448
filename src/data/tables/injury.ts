import { foreignKey, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, schoolId } from './columns';
import { person } from './person';

/** An injury with the day until which the matching work rests. No diagnosis is kept. */
export const injury = pgTable(
  'injury',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    what: text('what').notNull(),
    from: day('from').notNull(),
    until: day('until').notNull(),
    by: uuid('by').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);
