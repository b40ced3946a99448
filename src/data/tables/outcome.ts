import { boolean, doublePrecision, foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { rank } from './rank';

/** What a grading or the head decided of a candidate: kept to see how good the chances were. */
export const outcome = onlyAdded(
  pgTable(
    'outcome',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      rankId: uuid('rank_id').notNull(),
      day: day('day').notNull(),
      passed: boolean('passed').notNull(),
      /** The chance that was believed on that day, before it was corrected by outcomes; null where too little was known. */
      chance: doublePrecision('chance'),
      note: text('note').notNull().default(''),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
      index('outcome_day').on(t.schoolId, t.day),
    ],
  ),
);
