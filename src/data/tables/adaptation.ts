import { boolean, doublePrecision, foreignKey, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { point } from './point';

/** What the head has written for one student: another range, another share, or the point waived. */
export const adaptation = onlyAdded(
  pgTable(
    'adaptation',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      pointId: uuid('point_id').notNull(),
      from: day('from').notNull(),
      rangeLo: doublePrecision('range_lo'),
      rangeHi: doublePrecision('range_hi'),
      share: doublePrecision('share'),
      waived: boolean('waived').notNull().default(false),
      reason: text('reason').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id] }),
    ],
  ),
);
