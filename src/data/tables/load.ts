import { foreignKey, index, pgTable, primaryKey, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { PLACES } from '../../contracts/load';
import { BLOWS, FEELING, LADDERS, LOAD_JOINTS, SIDES, SKIN, SWELLING, type Blow } from '../../core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';

/** What a limb did on a day of work that hardens, and what it said; the four words are null together: nobody asked. */
export const loadDone = onlyAdded(
  pgTable(
    'load_done',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      day: day('day').notNull(),
      place: text('place', { enum: PLACES }).notNull(),
      blow: text('blow', { enum: Object.keys(BLOWS) as [Blow, ...Blow[]] }).notNull(),
      side: text('side', { enum: SIDES }).notNull(),
      surface: text('surface').notNull().default(''),
      count: smallint('count').notNull(),
      skin: text('skin', { enum: SKIN }),
      swelling: text('swelling', { enum: SWELLING }),
      joints: text('joints', { enum: LOAD_JOINTS }),
      feeling: text('feeling', { enum: FEELING }),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      index('load_done_of_student').on(t.schoolId, t.studentId, t.day),
    ],
  ),
);

/** What was said about the ladder itself: the guardian's yes or no, the head's lifting of a stop, single heavy blows. */
export const loadWord = onlyAdded(
  pgTable(
    'load_word',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      day: day('day').notNull(),
      what: text('what', { enum: ['agreed', 'refused', 'lifted', 'single'] }).notNull(),
      ladder: text('ladder', { enum: LADDERS }),
      side: text('side', { enum: SIDES }),
      guardian: text('guardian').notNull().default(''),
      reason: text('reason').notNull().default(''),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      index('load_word_of_student').on(t.schoolId, t.studentId),
    ],
  ),
);
