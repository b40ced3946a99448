import { sql } from 'drizzle-orm';
import type { Lane } from '../../core';
import { storedSlips } from '../../contracts/stored/slips';
import type { EarlierShowingsView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import type { Who } from '../who';
import { standingShowing } from '../../data/queries/standingLook';

/** The newest showings of a sequence, three of each student. */
export async function earlierShowingsView(
  tx: Transaction,
  who: Who,
  { sequenceId }: ViewInput<'earlierShowings'>,
): Promise<EarlierShowingsView> {
  const { rows } = await tx.execute<{
    id: string;
    studentId: string;
    day: string;
    from: number;
    counts: string;
    by: string;
    byMe: boolean;
    slips: unknown;
    lane: Lane | null;
  }>(sql`
    select id, "studentId", day, "from", counts, by, "byMe", slips, lane from (
      select l.id, l.student_id as "studentId", l.day::text as day, l.part_from as "from", l.counts, l.slips, l.lane,
        b.name as by, l.by = ${who.personId}::uuid as "byMe", l.at,
        row_number() over (partition by l.student_id order by l.day desc, l.at desc) as nth
      from ${standingShowing} l join person b on b.school_id = l.school_id and b.id = l.by
      where l.sequence_id = ${sequenceId}::uuid
    ) newest where nth <= 4 order by day desc, at desc`);
  return { showings: rows.map((r) => ({ ...r, slips: r.slips === null ? [] : storedSlips.upgrade(r.slips) })) };
}
