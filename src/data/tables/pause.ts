import { foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, schoolId } from './columns';
import { person } from './person';
import { sequence } from './sequence';
import { technique } from './technique';

/** Work laid off for a student until a habit is gone; `until` is set when it is taken up again. */
export const pause = pgTable(
  'pause',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    studentId: uuid('student_id').notNull(),
    techniqueId: uuid('technique_id'),
    sequenceId: uuid('sequence_id'),
    /** The habit that has to go. */
    habit: text('habit').notNull(),
    from: day('from').notNull(),
    until: day('until'),
    by: uuid('by').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
    foreignKey({ columns: [t.schoolId, t.sequenceId], foreignColumns: [sequence.schoolId, sequence.id] }),
    index('pause_of_student').on(t.schoolId, t.studentId),
  ],
);
