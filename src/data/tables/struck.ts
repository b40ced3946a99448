import { index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { STRIKABLE } from '../../contracts/struck';
import { instant, onlyAdded, schoolId } from './columns';

/**
 * What was taken out of the record, with why. The row itself stays where it is and is hidden from every reader by the
 * guard of the tables; of a look, another one has taken its place.
 */
export const struck = onlyAdded(
  pgTable(
    'struck',
    {
      schoolId: schoolId(),
      /** Of what was struck. */
      id: uuid('id').notNull(),
      kind: text('kind', { enum: STRIKABLE }).notNull(),
      /** Whose it was; null: a class. */
      studentId: uuid('student_id'),
      /** What it said, in words. */
      says: text('says').notNull(),
      reason: text('reason').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [primaryKey({ columns: [t.schoolId, t.id] }), index('struck_of_student').on(t.schoolId, t.studentId)],
  ),
);

/** Tables of which a struck row is hidden from everybody. */
export const HIDES_STRUCK: ReadonlySet<string> = new Set([
  'class_held',
  'rank_held',
  'outcome',
  'adaptation',
  'consent',
  'practice',
  'load_done',
]);
