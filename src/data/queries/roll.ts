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
}

/** Students with the belt each wears now and the last class they were in; also those who left, or one alone, if asked. */
export async function readRoll(
  tx: Transaction,
  { withLeft = false, id }: { withLeft?: boolean; id?: string } = {},
): Promise<RollRow[]> {
  const { rows } = await tx.execute<RollRow>(sql`
    select p.id, p.name, p.born::text as born, r.rank_id as "rankId", r.since::text as since, p.left_on::text as "leftOn", p.user_id as "userId", p.version,
      (select max(c.day)::text from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id
        where a.school_id = p.school_id and a.person_id = p.id) as "lastHere"
    from person p
    join lateral (select rank_id, since from rank_held h where h.school_id = p.school_id and h.person_id = p.id
      order by h.since desc, h.at desc limit 1) r on true
    where p.role = 'student' ${withLeft ? sql`` : sql`and p.left_on is null`} ${id === undefined ? sql`` : sql`and p.id = ${id}::uuid`}
    order by p.name`);
  return rows;
}
