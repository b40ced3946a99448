import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

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
