import { pgTable, smallint, text, uuid } from 'drizzle-orm/pg-core';
import { LANGUAGES } from '../../contracts/school';
import { storedLoadRule } from '../../contracts/stored/loadRule';
import { instant, kept } from './columns';

export const school = pgTable('school', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  timeZone: text('time_zone').notNull(),
  /** So many days back an instructor may put a class right; the head may go further. */
  classDays: smallint('class_days').notNull().default(14),
  /** A class takes so long where nobody says otherwise. */
  usualMinutes: smallint('usual_minutes').notNull().default(90),
  /** Below this age a guardian agrees as well. */
  ofAge: smallint('of_age').notNull().default(18),
  /** In which languages the hall counts, the usual one first. */
  languages: text('languages', { enum: LANGUAGES }).array().notNull().default([]),
  /** What stands at the head of a certificate and below the name; empty: the usual. */
  certificateHead: text('certificate_head').notNull().default(''),
  certificateWording: text('certificate_wording').notNull().default(''),
  /** Numbers of work that hardens; null: as delivered. */
  loadRule: kept('load_rule', storedLoadRule),
  madeAt: instant('made_at').notNull().defaultNow(),
});
