import { doublePrecision, foreignKey, integer, jsonb, pgTable, primaryKey, text, uuid } from 'drizzle-orm/pg-core';
import type { Cloth } from '../../contracts/syllabus';
import { GATE_KINDS, type Standard } from '../../core';
import { schoolId } from './columns';
import { technique } from './technique';

export const rank = pgTable(
  'rank',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
    cloth: jsonb('cloth').$type<Cloth>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);

export const condition = pgTable(
  'condition',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    position: integer('position').notNull(),
    name: text('name').notNull(),
  },
  (t) => [primaryKey({ columns: [t.schoolId, t.id] })],
);

/** The school's partial order of conditions: whoever can do the harder is not asked for the easier. */
export const conditionStep = pgTable(
  'condition_step',
  { schoolId: schoolId(), easierId: uuid('easier_id').notNull(), harderId: uuid('harder_id').notNull() },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.easierId, t.harderId] }),
    foreignKey({ columns: [t.schoolId, t.easierId], foreignColumns: [condition.schoolId, condition.id] }),
    foreignKey({ columns: [t.schoolId, t.harderId], foreignColumns: [condition.schoolId, condition.id] }),
  ],
);

export const requirement = pgTable(
  'requirement',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    rankId: uuid('rank_id').notNull(),
    position: integer('position').notNull(),
    techniqueId: uuid('technique_id').notNull(),
    conditionId: uuid('condition_id').notNull(),
    purpose: text('purpose', { enum: ['show', 'study'] }),
    standard: jsonb('standard').$type<Standard>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
    foreignKey({ columns: [t.schoolId, t.techniqueId], foreignColumns: [technique.schoolId, technique.id] }),
    foreignKey({ columns: [t.schoolId, t.conditionId], foreignColumns: [condition.schoolId, condition.id] }),
  ],
);

export const gate = pgTable(
  'gate',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    rankId: uuid('rank_id').notNull(),
    kind: text('kind', { enum: GATE_KINDS }).notNull(),
    amount: doublePrecision('amount').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.rankId], foreignColumns: [rank.schoolId, rank.id] }),
  ],
);
