import { sql } from 'drizzle-orm';
import { boolean, foreignKey, integer, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { storedDepartures } from '../../contracts/stored/departures';
import { storedRecipe } from '../../contracts/stored/recipe';
import { storedSequence } from '../../contracts/stored/sequence';
import { SEQUENCE_KINDS } from '../../core';
import { day, instant, kept, schoolId } from './columns';

/** A sequence whole. Written by hand, `text` is what was typed; derived, `recipe` and the hand edits make it from its parent. */
export const sequence = pgTable(
  'sequence',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    title: text('title').notNull(),
    kind: text('kind', { enum: SEQUENCE_KINDS }).notNull(),
    text: text('text').notNull(),
    body: kept('body', storedSequence).notNull(),
    /** How many counts the body has: what is asked of it in a query is asked of this. */
    counts: integer('counts').notNull(),
    /** Lines that could not be read when it was saved. */
    problems: integer('problems').notNull().default(0),
    parentId: uuid('parent_id'),
    recipe: kept('recipe', storedRecipe),
    departures: kept('departures', storedDepartures).notNull().default([]),
    /** Hand edits whose place is gone since the parent changed. */
    unfit: integer('unfit').notNull().default(0),
    /** Why the recipe cannot be followed any more; the last good moves are kept. */
    trouble: text('trouble'),
    version: integer('version').notNull().default(1),
    retired: boolean('retired').notNull().default(false),
    changedAt: instant('changed_at').notNull().defaultNow(),
    changedBy: uuid('changed_by'),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.parentId], foreignColumns: [t.schoolId, t.id], name: 'sequence_parent_fk' }),
    uniqueIndex('sequence_title').on(t.schoolId, sql`lower(${t.title})`),
  ],
);

/** A finding that somebody decided to live with, and why. */
export const waiver = pgTable(
  'waiver',
  {
    schoolId: schoolId(),
    sequenceId: uuid('sequence_id').notNull(),
    key: text('key').notNull(),
    reason: text('reason').notNull(),
    by: uuid('by').notNull(),
    day: day('day').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.sequenceId, t.key] }),
    foreignKey({ columns: [t.schoolId, t.sequenceId], foreignColumns: [sequence.schoolId, sequence.id] }),
  ],
);
