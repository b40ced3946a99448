import { createHash } from 'node:crypto';
import { eq, gte } from 'drizzle-orm';
import type pg from 'pg';
import { addDays } from '../../core';
import { inSchool, type Database, type Transaction } from '../../data/connection';
import { cycle, hall, school } from '../../data/tables';
import type { SignedIn } from '../auth/auth';
import { runView } from '../views/run';
import { dayIn } from '../who';
import { calendarFile } from './ical';

/** Weeks whose day is over stay so many days in a calendar that is asked again. */
const AFTER = 60;

const SECRET = /^[0-9a-f]{48}$/;

/** These weeks as a calendar's file, for those who see them. */
export async function calendarFor(db: Database, me: SignedIn, id: string, now: Date): Promise<string> {
  const { shown } = await runView(db, me, 'cycle', { id }, now);
  return inSchool(db, me.schoolId, (tx) => calendarOf(tx, me.schoolId, now, shown!.id));
}

/** What the weeks of a school, or these ones, come to in a calendar. */
async function calendarOf(tx: Transaction, schoolId: string, now: Date, id?: string): Promise<string> {
  const [{ name, timeZone }] = (await tx
    .select({ name: school.name, timeZone: school.timeZone })
    .from(school)
    .where(eq(school.id, schoolId))) as [{ name: string; timeZone: string }];
  const rows = await tx
    .select()
    .from(cycle)
    .where(id === undefined ? gte(cycle.day, addDays(dayIn(timeZone, now), -AFTER)) : eq(cycle.id, id))
    .orderBy(cycle.day);
  const halls = await tx.select({ id: hall.id, name: hall.name }).from(hall);
  return calendarFile({
    school: name,
    timeZone,
    halls: new Map(halls.map((h) => [h.id, h.name])),
    cycles: rows.map((r) => ({ id: r.id, cycle: r.cycle, changedAt: r.changedAt })),
  });
}

/** The calendar behind an address; null: there is none, or it was taken back. Asked without a sign-in. */
export async function calendarBehind(
  db: Database,
  authPool: pg.Pool,
  secret: string,
  now: Date,
): Promise<string | null> {
  if (!SECRET.test(secret)) return null;
  const { rows } = await authPool.query<{ school_id: string }>(
    'select school_id from auth.calendar_address where hash = $1',
    [createHash('sha256').update(secret).digest('hex')],
  );
  const at = rows[0];
  return at ? inSchool(db, at.school_id, (tx) => calendarOf(tx, at.school_id, now)) : null;
}
