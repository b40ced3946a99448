import { boolean, foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';

/** Whether pictures of somebody may be kept on a device. The newest word counts; pictures themselves never come here. */
export const pictureWord = onlyAdded(
  pgTable(
    'picture_word',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      agreed: boolean('agreed').notNull(),
      day: day('day').notNull(),
      /** Who agreed for a minor; empty: nobody did. */
      guardian: text('guardian').notNull().default(''),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      index('picture_word_of_student').on(t.schoolId, t.studentId),
    ],
  ),
);
