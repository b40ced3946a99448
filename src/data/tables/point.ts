import {
  boolean,
  doublePrecision,
  foreignKey,
  index,
  integer,
  pgTable,
  primaryKey,
  text,
  uuid,
} from 'drizzle-orm/pg-core';
import { BODY_PARTS, HURTS, POINT_KINDS, UNITS } from '../../core';
import { schoolId } from './columns';
import { technique } from './technique';

export const point = pgTable(
  'point',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    techniqueId: uuid('technique_id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    how: text('how').notNull().default(''),
    why: text('why').notNull().default(''),
    kind: text('kind', { enum: POINT_KINDS }).notNull(),
    bodyPart: text('body_part', { enum: BODY_PARTS }).notNull(),
    critical: boolean('critical').notNull().default(false),
    unit: text('unit', { enum: UNITS }),
    acceptedLo: doublePrecision('accepted_lo'),
    acceptedHi: doublePrecision('accepted_hi'),
    wantedLo: doublePrecision('wanted_lo'),
    wantedHi: doublePrecision('wanted_hi'),
    measuredBy: text('measured_by'),
    /** A point that was taken out but has marks: kept for the record, not looked at any more. */
    retired: boolean('retired').notNull().default(false),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
    index('point_technique').on(t.schoolId, t.techniqueId),
  ],
);

export const slip = pgTable(
  'slip',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    pointId: uuid('point_id').notNull(),
    position: integer('position').notNull(),
    looksLike: text('looks_like').notNull(),
    cause: text('cause').notNull().default(''),
    cue: text('cue').notNull().default(''),
    hurts: text('hurts', { enum: HURTS }).notNull().default('nobody'),
    hurtsHow: text('hurts_how').notNull().default(''),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.pointId], foreignColumns: [point.schoolId, point.id] }),
    index('slip_point').on(t.schoolId, t.pointId),
  ],
);
