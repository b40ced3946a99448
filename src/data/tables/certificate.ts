import { foreignKey, index, jsonb, pgTable, primaryKey, text, unique, uuid } from 'drizzle-orm/pg-core';
import type { JWK } from 'jose';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { rank } from './rank';

/** What the school signs with: the open half for whoever checks, the other one sealed with what is kept apart from here. */
export const signingKey = pgTable(
  'signing_key',
  {
    schoolId: schoolId(),
    kid: text('kid').notNull(),
    open: jsonb('open').$type<JWK>().notNull(),
    sealed: text('sealed').notNull(),
    since: instant('since').notNull().defaultNow(),
    /** Null: the one in use. Those before still prove what they signed. */
    until: instant('until'),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.kid] })],
);

/** A certificate as it was given; printed again it stays the same. */
export const certificate = onlyAdded(
  pgTable(
    'certificate',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      /** The belt that was given: a row of its own. */
      heldId: uuid('held_id').notNull(),
      gradingId: uuid('grading_id'),
      studentId: uuid('student_id').notNull(),
      rankId: uuid('rank_id').notNull(),
      day: day('day').notNull(),
      /** Of the year, from 1. */
      number: text('number').notNull(),
      code: text('code').notNull(),
      /** The signed credential, as compact JWS. */
      signed: text('signed').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.studentId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
      unique('certificate_number').on(t.schoolId, t.number),
      index('certificate_held').on(t.schoolId, t.heldId),
      index('certificate_student').on(t.schoolId, t.studentId),
    ],
  ),
);

/** Certificates that were taken back, with why; the reason stays in the school. */
export const certificateBack = onlyAdded(
  pgTable(
    'certificate_back',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      reason: text('reason').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.id], foreignColumns: [certificate.schoolId, certificate.id] }),
    ],
  ),
);
