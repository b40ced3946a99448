import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

export interface PutRight extends Record<string, unknown> {
  id: string;
  student_id: string;
  student: string;
  says: string;
  reason: string;
  by: string;
  at: Date | string;
}

/** Whoever took a look is told for so many days that somebody else put it right. */
const TOLD_DAYS = 14;

/** Looks that one person took and another put right, struck, or gave to somebody else; the newest first. */
export async function readPutRight(tx: Transaction, personId: string, now: Date): Promise<PutRight[]> {
  const since = new Date(now.getTime() - TOLD_DAYS * 86_400_000).toISOString();
  const { rows } = await tx.execute<PutRight>(sql`
    select k.id, l.student_id, s.name as student, k.says, k.reason, b.name as by, k.at
    from struck k
    join look l on l.school_id = k.school_id and l.id = k.id
    join person s on s.school_id = l.school_id and s.id = l.student_id
    join person b on b.school_id = k.school_id and b.id = k.by
    where k.kind = 'look' and k.at >= ${since}::timestamptz and l.by = ${personId}::uuid and k.by <> l.by
    order by k.at desc limit 50`);
  return rows;
}
