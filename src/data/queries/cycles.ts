import { asc, desc, eq, gte, sql } from 'drizzle-orm';
import { storedClassPlan } from '../../contracts/stored/classPlan';
import { storedClassRun } from '../../contracts/stored/classRun';
import { storedTaught } from '../../contracts/stored/taught';
import {
  addDays,
  cycleOfDay,
  minutesTaken,
  pastOf,
  recordsOf,
  type ClassRecord,
  type Cycle,
  type CycleOfDay,
  type HeldClass,
  type Past,
} from '../../core';
import type { Transaction } from '../connection';
import { cycle } from '../tables';

/** All weeks there are by name and day, the newest day first. */
export const readCycleNames = async (tx: Transaction) =>
  await tx
    .select({ id: cycle.id, name: sql<string>`${cycle.cycle}->>'name'`, day: cycle.day })
    .from(cycle)
    .orderBy(desc(cycle.day), desc(cycle.id));

export const readCycle = async (tx: Transaction, id: string) =>
  (await tx.select().from(cycle).where(eq(cycle.id, id)))[0];

/** The weeks that run on a day, or come next: those whose day comes first. */
export const cycleOn = async (tx: Transaction, day: string) =>
  (await tx.select().from(cycle).where(gte(cycle.day, day)).orderBy(asc(cycle.day), asc(cycle.id)).limit(1))[0];

interface HeldRow extends Record<string, unknown> {
  id: string;
  day: string;
  minutes: number;
  taught: unknown;
  plan: unknown;
  run: unknown;
  hallId: string | null;
  people: number;
}

const readHeld = async (tx: Transaction, from: string, to: string): Promise<HeldRow[]> =>
  (
    await tx.execute<HeldRow>(sql`
    select c.id, c.day::text as day, c.minutes, c.taught, p.plan, p.run, p.hall_id as "hallId",
      (select count(*)::int from attendance a where a.school_id = c.school_id and a.class_id = c.id) as people
    from class_held c left join class_plan p on p.school_id = c.school_id and p.id = c.id
    where c.day >= ${from}::date and c.day <= ${to}::date order by c.day, c.opened_at nulls last, c.id`)
  ).rows;

/** What is known of the classes that were held on these days: what was noted, and how the plan went. */
export async function readClassRecords(tx: Transaction, from: string, to: string): Promise<ClassRecord[]> {
  return (await readHeld(tx, from, to)).map((r) => {
    const plan = r.plan === null ? null : storedClassPlan.upgrade(r.plan);
    const run = r.run === null ? null : storedClassRun.upgrade(r.run);
    return {
      id: r.id,
      day: r.day,
      taught: storedTaught.upgrade(r.taught),
      blocks:
        plan &&
        minutesTaken(plan, run).map(({ block, minutes, skipped }) => ({
          items: block.items.map((i) => i.item),
          minutes,
          skipped,
        })),
    };
  });
}

/** The classes of some days with how many came. */
export const readHeldClasses = async (tx: Transaction, from: string, to: string): Promise<HeldClass[]> =>
  (await readHeld(tx, from, to)).map((r) => ({
    day: r.day,
    minutes: r.minutes,
    hallId: r.hallId,
    people: r.people,
    starts: r.plan === null ? null : storedClassPlan.upgrade(r.plan).starts,
  }));

/** What of some weeks is over, and what it had. */
export const pastOfWeeks = async (tx: Transaction, weeks: Cycle, today: string): Promise<Past> =>
  pastOf(weeks, recordsOf(weeks.classes, await readClassRecords(tx, weeks.from, today)), today);

/** Evenings are laid out so many days ahead. */
const AHEAD = 13;

/** What the weeks that run have for today and the days after it, by day. */
export async function readWeeksAhead(tx: Transaction, today: string): Promise<Record<string, CycleOfDay>> {
  const weeks = (await cycleOn(tx, today))?.cycle;
  if (!weeks) return {};
  const past = await pastOfWeeks(tx, weeks, today);
  const last = addDays(today, AHEAD);
  const days = [...new Set(weeks.classes.map((c) => c.day))].filter((day) => day >= today && day <= last);
  return Object.fromEntries(
    days.flatMap((day) => {
      const of = cycleOfDay(weeks, past, day);
      return of ? [[day, of]] : [];
    }),
  );
}
