import { foreignKey, pgTable, primaryKey, uuid } from 'drizzle-orm/pg-core';
import { schoolId } from './columns';
import { person } from './person';

/** Who answers for a minor and may see their page. */
export const guardianOf = pgTable(
  'guardian_of',
  { schoolId: schoolId(), guardianId: uuid('guardian_id').notNull(), studentId: uuid('student_id').notNull() },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.guardianId, t.studentId] }),
    foreignKey({ columns: [t.schoolId, t.guardianId], foreignColumns: [person.schoolId, person.id] }),
    foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
  ],
);
