import { sql } from 'drizzle-orm';
import { dayNumber, readShowing, showingEntries } from '../../core';
import type { Transaction } from '../../data/connection';
import { standingLook, standingShowing } from '../../data/queries/standingLook';

/** What the school's people showed of each point in the half year before a day, as sums of one student a point. */
export async function poolSums(
  tx: Transaction,
  day: string,
): Promise<{ studentId: string; pointId: string; held: number; of: number }[]> {
  const { rows } = await tx.execute<{ studentId: string; pointId: string; held: number; of: number }>(sql`
    select l.student_id as "studentId", m.point_id as "pointId",
      sum(case when m.values is null then m.held
        else (select count(*) from unnest(m.values) x where x between p.accepted_lo and p.accepted_hi) end)::int as held,
      sum(m.of)::int as "of"
    from ${standingLook} l join mark m on m.school_id = l.school_id and m.look_id = l.id
    join point p on p.school_id = m.school_id and p.id = m.point_id
    where l.day > ${day}::date - 180 and l.day < ${day}::date
    group by 1, 2`);
  const showings = await tx.execute<{
    student: string;
    sequence: string;
    from: number;
    counts: string;
    day: string;
  }>(sql`
    select l.student_id as student, l.sequence_id as sequence, l.part_from as "from", l.counts, l.day::text as day
    from ${standingShowing} l where l.day > ${day}::date - 180 and l.day < ${day}::date`);
  const sums = new Map<string, { studentId: string; pointId: string; held: number; of: number }>();
  for (const row of showings.rows) {
    const read = readShowing(row.counts);
    if (!read) continue;
    const when = { day: dayNumber(row.day), at: 0, conditionId: '', purpose: null };
    for (const { pointId, entry } of showingEntries({ sequenceId: row.sequence, from: row.from, ...read }, when)) {
      const key = `${row.student} ${pointId}`;
      const sum = sums.get(key) ?? { studentId: row.student, pointId, held: 0, of: 0 };
      sum.held += entry.held;
      sum.of += entry.of;
      sums.set(key, sum);
    }
  }
  return [...rows, ...sums.values()];
}
