import { sql } from 'drizzle-orm';
import { boolean, foreignKey, pgTable, primaryKey, text, uniqueIndex, uuid } from 'drizzle-orm/pg-core';
import { NO_DETAIL, storedDetail } from '../../contracts/stored/technique';
import { TECHNIQUE_KINDS } from '../../core';
import { edited, kept, schoolId } from './columns';

export const technique = pgTable(
  'technique',
  {
    schoolId: schoolId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    kind: text('kind', { enum: TECHNIQUE_KINDS }).notNull(),
    summary: text('summary').notNull().default(''),
    sided: boolean('sided').notNull(),
    stanceId: uuid('stance_id'),
    stepId: uuid('step_id'),
    detail: kept('detail', storedDetail).notNull().default(NO_DETAIL),
    /** What it turned out to be the same as: published versions that name it are read as naming that one. */
    mergedInto: uuid('merged_into'),
    retired: boolean('retired').notNull().default(false),
    ...edited(),
  },
  (t) => [
    primaryKey({ columns: [t.schoolId, t.id] }),
    uniqueIndex('technique_name').on(t.schoolId, sql`lower(${t.name})`),
    foreignKey({ columns: [t.schoolId, t.stanceId], foreignColumns: [t.schoolId, t.id] }),
    foreignKey({ columns: [t.schoolId, t.stepId], foreignColumns: [t.schoolId, t.id] }),
  ],
);
