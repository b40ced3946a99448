import { and, asc, inArray, lt, sql } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { rankHeld } from '../tables';

export interface RollRow extends Record<string, unknown> {
  id: string;
  name: string;
  born: string | null;
  rankId: string;
  since: string;
  leftOn: string | null;
  userId: string | null;
  version: number;
  lastHere: string | null;
  /** Looks at them that stand. */
  looks: number;
}

/** Students with the belt each wears now, their looks and the last class they were in; also those who left, or one alone, if asked. */
export async function readRoll(
  tx: Transaction,
  { withLeft = false, id }: { withLeft?: boolean; id?: string } = {},
): Promise<RollRow[]> {
  const { rows } = await tx.execute<RollRow>(sql`
    select p.id, p.name, p.born::text as born, r.rank_id as "rankId", r.since::text as since, p.left_on::text as "leftOn", p.user_id as "userId", p.version,
      h.last_here::text as "lastHere", coalesce(h.looks, 0) as looks
    from person p
    left join change h on h.school_id = p.school_id and h.of = p.id
    join lateral (select rank_id, since from rank_held w where w.school_id = p.school_id and w.person_id = p.id
      order by w.since desc, w.at desc limit 1) r on true
    where p.role = 'student' ${withLeft ? sql`` : sql`and p.left_on is null`} ${id === undefined ? sql`` : sql`and p.id = ${id}::uuid`}
    order by p.name`);
  return rows;
}

/** The belt that each of these people wore until a day, since when; who had none then is left out. */
export async function readBeltsBefore(
  tx: Transaction,
  ids: readonly string[],
  day: string,
): Promise<Map<string, { rankId: string; since: string }>> {
  if (ids.length === 0) return new Map();
  const rows = await tx
    .select({ id: rankHeld.personId, rankId: rankHeld.rankId, since: rankHeld.since })
    .from(rankHeld)
    .where(and(inArray(rankHeld.personId, [...ids]), lt(rankHeld.since, day)))
    .orderBy(asc(rankHeld.since), asc(rankHeld.at));
  return new Map(rows.map(({ id, ...belt }) => [id, belt]));
}

/** Candidates as they came to a grading: with the belt they wore until its day, by which the syllabus asks. */
export async function asTheyCame<T extends { id: string; rankId: string; since: string }>(
  tx: Transaction,
  students: readonly T[],
  day: string,
): Promise<T[]> {
  const before = await readBeltsBefore(
    tx,
    students.map((s) => s.id),
    day,
  );
  return students.map((s) => ({ ...s, ...before.get(s.id) }));
}
