import { sql } from 'drizzle-orm';
import type { EarlierMarksView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import type { Who } from '../who';
import { standingLook } from '../../data/queries/standingLook';

/** The newest marks on the points of a technique, with whose they are where somebody else watched. */
export async function earlierMarksView(
  tx: Transaction,
  who: Who,
  { techniqueId, since }: ViewInput<'earlierMarks'>,
): Promise<EarlierMarksView> {
  const at = who.now.toISOString();
  const whose = since === undefined ? null : await lookedAtSince(tx, since);
  if (whose?.length === 0) return { marks: [], whose, at };
  const library = await readLibrary(tx);
  const points = library.pointsOf(techniqueId).map((p) => p.id);
  if (points.length === 0) return { marks: [], whose, at };
  const { rows } = await tx.execute<EarlierMarksView['marks'][number] & Record<string, unknown>>(sql`
    select "studentId", "pointId", side, "conditionId", day, held, "of", "lookId", by from (
      select l.student_id as "studentId", m.point_id as "pointId", l.side, l.condition_id as "conditionId", l.day::text as day,
        case when m.values is null then m.held else (select count(*)::int from unnest(m.values) x where x between p.accepted_lo and p.accepted_hi) end as held,
        m.of as "of", l.id as "lookId",
        case when l.by = ${who.personId}::uuid then null else (select b.name from person b where b.school_id = l.school_id and b.id = l.by) end as by,
        row_number() over (partition by l.student_id, m.point_id, l.side order by l.day desc, l.at desc) as nth, l.at
      from mark m join ${standingLook} l on l.school_id = m.school_id and l.id = m.look_id
      join point p on p.school_id = m.school_id and p.id = m.point_id
      where ${whose === null ? sql`true` : sql`l.student_id = any(${sql.param(whose)}::uuid[])`} and m.point_id = any(${sql.param(points)}::uuid[]) and l.day > ${who.today}::date - 400
    ) newest where nth <= 5 order by day desc, at desc`);
  return { marks: rows, whose, at };
}

/** Two servers' clocks, and a look that was being written as somebody asked: so many seconds are read twice. */
const AGAIN = 30;

async function lookedAtSince(tx: Transaction, since: string): Promise<string[]> {
  const { rows } = await tx.execute<{ id: string }>(
    sql`select of as id from change where looked_at > ${since}::timestamptz - ${AGAIN} * interval '1 second'`,
  );
  return rows.map((r) => r.id);
}
