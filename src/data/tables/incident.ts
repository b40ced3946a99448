import { boolean, foreignKey, index, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import { day, instant, onlyAdded, schoolId } from './columns';
import { person } from './person';
import { sequence } from './sequence';
import { technique } from './technique';

/** Somebody was hurt: who, by whom (null: nobody else), who was in charge, doing what. */
export const incident = onlyAdded(
  pgTable(
    'incident',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      day: day('day').notNull(),
      hurtId: uuid('hurt_id').notNull(),
      causeId: uuid('cause_id'),
      chargeId: uuid('charge_id').notNull(),
      techniqueId: uuid('technique_id'),
      sequenceId: uuid('sequence_id'),
      /** What they were doing, where it is neither a technique nor a sequence. */
      doing: text('doing').notNull().default(''),
      what: text('what').notNull(),
      done: text('done').notNull().default(''),
      /** A knock to the head: off the floor, and not back the same day. */
      head: boolean('head').notNull(),
      by: uuid('by').notNull(),
      at: instant('at').notNull().defaultNow(),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({ columns: [t.schoolId, t.hurtId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.causeId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.chargeId], foreignColumns: [person.schoolId, person.id] }),
      foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
      foreignKey({ columns: [t.schoolId, t.sequenceId], foreignColumns: [sequence.schoolId, sequence.id] }),
      index('incident_day').on(t.schoolId, t.day),
    ],
  ),
);
