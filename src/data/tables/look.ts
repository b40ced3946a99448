import { sql } from 'drizzle-orm';
import {
  check,
  doublePrecision,
  foreignKey,
  index,
  pgTable,
  primaryKey,
  smallint,
  text,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import { storedSlips } from '../../contracts/stored/slips';
import { LANES, POINT_KINDS, SIDES, STAGES } from '../../core';
import { day, instant, kept, onlyAdded, schoolId } from './columns';
import { condition } from './condition';
import { person } from './person';
import { point } from './point';
import { sequence } from './sequence';
import { technique } from './technique';

/** Somebody watched a student do an item. */
export const look = onlyAdded(
  pgTable(
    'look',
    {
      schoolId: schoolId(),
      id: uuid('id').notNull(),
      studentId: uuid('student_id').notNull(),
      /** A technique, or a sequence or part of one. */
      techniqueId: uuid('technique_id'),
      sequenceId: uuid('sequence_id'),
      partFrom: smallint('part_from'),
      partTo: smallint('part_to'),
      /** How many counts the sequence had then: marks of counts are read only as long as it has. */
      ofCounts: smallint('of_counts'),
      /** One letter a count, H held, S slipped, U not seen; then a bar and the three points of its own. */
      counts: text('counts'),
      slips: kept('slips', storedSlips),
      /** Of a drill for two: whose part was watched. */
      lane: text('lane', { enum: LANES }),
      stage: text('stage', { enum: STAGES }),
      conditionId: uuid('condition_id').notNull(),
      day: day('day').notNull(),
      at: instant('at').notNull(),
      side: text('side', { enum: SIDES }).notNull(),
      purpose: text('purpose', { enum: ['show', 'study'] }),
      replaces: uuid('replaces'),
      /** Who received it, where it was done with a partner. */
      partnerId: uuid('partner_id'),
      by: uuid('by').notNull(),
      note: text('note').notNull().default(''),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.id] }),
      foreignKey({
        columns: [t.schoolId, t.studentId],
        foreignColumns: [person.schoolId, person.id],
        name: 'look_student',
      }),
      foreignKey({
        columns: [t.schoolId, t.techniqueId],
        foreignColumns: [technique.schoolId, technique.id],
        name: 'look_technique',
      }),
      foreignKey({
        columns: [t.schoolId, t.sequenceId],
        foreignColumns: [sequence.schoolId, sequence.id],
        name: 'look_sequence',
      }),
      foreignKey({
        columns: [t.schoolId, t.partnerId],
        foreignColumns: [person.schoolId, person.id],
        name: 'look_partner',
      }),
      check('look_one_item', sql`(${t.techniqueId} is null) <> (${t.sequenceId} is null)`),
      foreignKey({
        columns: [t.schoolId, t.conditionId],
        foreignColumns: [condition.schoolId, condition.id],
        name: 'look_condition',
      }),
      foreignKey({ columns: [t.schoolId, t.replaces], foreignColumns: [t.schoolId, t.id], name: 'look_replaces' }),
      index('look_of_student').on(t.schoolId, t.studentId, t.day),
      // With whom it was done is said of few.
      index('look_with')
        .on(t.schoolId, t.partnerId)
        .where(sql`${t.partnerId} is not null`),
      /** A look is corrected once; whoever corrects the correction replaces that. */
      uniqueIndex('look_replaced_once')
        .on(t.schoolId, t.replaces)
        .where(sql`${t.replaces} is not null`),
      index('look_day').on(t.schoolId, t.day),
    ],
  ),
);

export const mark = onlyAdded(
  pgTable(
    'mark',
    {
      schoolId: schoolId(),
      lookId: uuid('look_id').notNull(),
      pointId: uuid('point_id').notNull(),
      kind: text('kind', { enum: POINT_KINDS }).notNull(),
      held: smallint('held').notNull(),
      of: smallint('of').notNull(),
      /** Of measured points: every value is a repetition, judged when read since ranges can be adapted. */
      values: doublePrecision('values').array(),
      /** How far off each value may be, nine times in ten; null: measured by hand, nobody says. */
      halves: doublePrecision('halves').array(),
      /** Which repetition slipped, where that was seen: one letter each, in order. */
      reps: text('reps'),
      /** Of felt points: who felt it. */
      toldBy: uuid('told_by'),
    },
    (t) => [
      primaryKey({ columns: [t.schoolId, t.lookId, t.pointId] }),
      foreignKey({ columns: [t.schoolId, t.lookId], foreignColumns: [look.schoolId, look.id] }),
      foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id], name: 'mark_point' }),
      foreignKey({
        columns: [t.schoolId, t.toldBy],
        foreignColumns: [person.schoolId, person.id],
        name: 'mark_told_by',
      }),
    ],
  ),
);
