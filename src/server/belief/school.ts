// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { sql } from 'drizzle-orm';
import {
  dayNumber,
  driftOf,
  evidenceUntil,
  habitsFrom,
  poolPriors,
  poolSlope,
  seenBy,
  spreadsOf,
  type Evidence,
  type Pool,
  type SchoolHabits,
  type Spreads,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence } from '../../data/queries/evidence';
import { type Judging } from '../judging/judging';
import { poolSums } from './pool';
import { standingLook } from '../../data/queries/standingLook';

/** What belongs to the school and changes slowly: learned from what was there this morning, for the whole day. */
export interface SchoolBeliefs {
  /** What was reckoned with others is reckoned anew. */
  serial: number;
  pool: Pool;
  spreads: Spreads;
  habits: SchoolHabits;
}

/** From so many of the sample is learned how far things lie apart: it takes longest. */
const SPREAD_FROM = 24;

let serial = 0;

/** The school's pool and habits as of the day that is judged on; reckoned once a day. */
export async function schoolBeliefs(tx: Transaction, j: Judging): Promise<SchoolBeliefs> {
  const known = j.made.get('beliefs') as SchoolBeliefs | undefined;
  if (known) return known;
  const value = await beliefsOn(tx, j, j.today);
  j.made.set('beliefs', value);
  return value;
}

/** What was learned by the mornings of some days, kept for as long as one act takes that asks for many students. */
export type Mornings = Map<string, SchoolBeliefs>;

/** What had been learned of the school by the morning of a day; what came later is not looked at. */
async function beliefsOn(tx: Transaction, j: Judging, day: string): Promise<SchoolBeliefs> {
  const pool = poolPriors(await poolSums(tx, day));
  return { serial: (serial += 1), pool, ...(await readHabits(tx, j, pool, day)) };
}

async function readHabits(
  tx: Transaction,
  j: Judging,
  pool: Pool,
  today: string,
): Promise<Omit<SchoolBeliefs, 'pool' | 'serial'>> {
  const since = sql`${today}::date - 56`;
  const classes = await tx.execute<{ day: string; minutes: number }>(
    sql`select day::text as day, minutes from class_held where day >= ${since} and day < ${today}::date`,
  );
  const counts = await tx.execute<{ attended: number; lookdays: number; students: string[] | null }>(sql`
    select
      (select count(*)::int from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id
        where c.day >= ${since} and c.day < ${today}::date) as attended,
      (select count(distinct (l.student_id, coalesce(l.technique_id, l.sequence_id), l.day))::int from ${standingLook} l
        where l.day >= ${since} and l.day < ${today}::date) as lookdays,
      (select array_agg(x.id::text) from (select distinct l.student_id as id from ${standingLook} l
        where l.day >= ${since} and l.day < ${today}::date order by 1 limit 40) x) as students`);
  const seen = await tx.execute<{ technique: string; looks: number; marks: number }>(sql`
    select l.technique_id as technique, count(distinct l.id)::int as looks, count(*)::int as marks
    from ${standingLook} l join mark m on m.school_id = l.school_id and m.look_id = l.id
    where l.day >= ${since} and l.day < ${today}::date and l.technique_id is not null group by 1`);
  const one = counts.rows[0]!;
  const ids = one.students ?? [];
  const known = ids.length > 0 ? await readEvidence(tx, () => undefined, ids) : new Map<string, Evidence>();
  const sample = new Map([...known].map(([id, e]) => [id, evidenceUntil(e, dayNumber(today))]));
  const attendance = ids.length > 0 ? await readAttendance(tx, ids) : new Map<string, { day: number }[]>();
  const cameOn = (id: string) => (attendance.get(id) ?? []).map((c) => c.day).sort((a, b) => a - b);
  const series = [...sample].flatMap(([id, evidence]) => {
    const attended = cameOn(id);
    return [...evidence.values()].flatMap((sides) =>
      (['left', 'right', 'none'] as const).map((side) => seenBy(sides[side].slice(0, 20), attended, () => 1)),
    );
  });
  const inForce = j.versions.inForce(today);
  const asked = inForce ? j.versions.read(inForce) : null;
  const habits = habitsFrom(
    {
      today,
      classes: classes.rows.map((c) => ({ day: dayNumber(c.day), minutes: c.minutes })),
      lookDays: one.lookdays,
      attended: one.attended,
      asked: asked ? asked.requirements.length / Math.max(1, asked.ranks.length - 1) : 1,
      marks: seen.rows.reduce((n, r) => n + r.marks, 0),
      points: seen.rows.reduce((n, r) => n + r.looks * j.library.pointsOf(r.technique).length, 0),
    },
    poolSlope(series),
  );
  const spreads = spreadsOf(
    [...sample]
      .slice(0, SPREAD_FROM)
      .map(([id, evidence]) => ({ evidence, drift: driftOf(habits.slope, cameOn(id), today) })),
    pool,
    today,
  );
  return { habits, spreads };
}
