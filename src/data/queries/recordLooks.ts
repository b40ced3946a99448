// Looks are written down here and nowhere else, together with what they change of what is known.
import { sql } from 'drizzle-orm';
import { storedSlips } from '../../contracts/stored/slips';
import { REMEMBERED_DAYS, type CountSlip, type Lane } from '../../core';
import type { Transaction } from '../connection';
import { restand } from './standings';

/** A look as a row, with its marks; of a showing its counts instead. */
export interface LookRow {
  id: string;
  student_id: string;
  technique_id: string | null;
  sequence_id?: string | null;
  part_from?: number | null;
  part_to?: number | null;
  of_counts?: number | null;
  counts?: string | null;
  slips?: readonly CountSlip[] | null;
  condition_id: string;
  day: string;
  at: string;
  side: string;
  purpose?: string | null;
  stage?: string | null;
  replaces?: string | null;
  partner_id?: string | null;
  lane?: Lane | null;
  note?: string;
  /** Who watched. */
  by: string;
  marks: readonly MarkRow[];
}

export interface MarkRow {
  point_id: string;
  kind: string;
  held: number;
  of: number;
  values?: readonly number[] | null;
  halves?: readonly (number | null)[] | null;
  reps?: string | null;
  told_by?: string | null;
}

/** Of a look that was taken: how many of its marks were. */
export interface Taken {
  id: string;
  marks: number;
}

/** So many may be laid on one standing, where it begins with what is old, before what is too old is taken out of it. */
export const GROWN = 32;

// Looks, marks and what is known in one prepared statement: this is what a whole line of tablets sends at once. A look is
// taken only of somebody on the roll, and as a correction only of a look of the same student and item. A mark whose point
// is of another kind, or gone, finds no partner in the join; what is to be measured may also be seen, by eye. The student's turn (their row in `change`) is taken before
// anything of theirs is written, so that nobody makes their standings anew from looks that are not all there yet.
const RECORD = `
  with x as materialized (
    select x.* from jsonb_to_recordset($2::jsonb) as x(id uuid, student_id uuid, technique_id uuid, sequence_id uuid,
      part_from smallint, part_to smallint, of_counts smallint, counts text, slips jsonb, condition_id uuid, day date,
      at timestamptz, side text, purpose text, stage text, replaces uuid, partner_id uuid, lane text, note text, by uuid, marks jsonb)
    where exists (select 1 from person p where p.school_id = $1 and p.id = x.student_id and p.role = 'student'
        and (p.left_on is null or p.left_on >= x.day))
      and (x.replaces is null or exists (select 1 from look r where r.school_id = $1 and r.id = x.replaces
        and r.student_id = x.student_id and r.technique_id is not distinct from x.technique_id
        and r.sequence_id is not distinct from x.sequence_id))
  ), turn as (
    insert into change (school_id, of, times, looks, looked_at)
    select $1::uuid, student_id, count(*)::int, (count(*) filter (where replaces is null))::int, now() from x group by 2 order by 2
    on conflict (school_id, of) do update set times = change.times + excluded.times, looks = change.looks + excluded.looks,
      looked_at = excluded.looked_at
    returning of
  ), l as (
    insert into look (school_id, id, student_id, technique_id, sequence_id, part_from, part_to, of_counts, counts, slips,
      condition_id, day, at, side, purpose, stage, replaces, partner_id, lane, by, note)
    select $1, id, student_id, technique_id, sequence_id, part_from, part_to, of_counts, counts, slips,
      condition_id, day, at, side, purpose, stage, replaces, partner_id, lane, by, coalesce(note, '')
    from x where student_id in (select of from turn)
    returning id
  ), m as (
    insert into mark (school_id, look_id, point_id, kind, held, "of", "values", halves, reps, told_by)
    select $1, x.id, y.point_id, y.kind, y.held, y."of", y."values", y.halves, y.reps, y.told_by
    from l join x on x.id = l.id cross join lateral jsonb_to_recordset(x.marks)
      as y(point_id uuid, kind text, held smallint, "of" smallint, "values" double precision[], halves double precision[], reps text, told_by uuid)
    join point p on p.school_id = $1 and p.id = y.point_id
      and (p.kind = y.kind or (p.kind = 'measured' and y.kind = 'seen'))
    returning look_id, point_id, held, "of", "values"
  ), said as (
    select x.student_id, m.point_id as of, 0::smallint as from_count, x.side, x.condition_id, x.purpose, x.stage, x.day, x.at,
      m.held || ',' || m."of" || coalesce(',' || array_to_string(m."values", ','), '') as what
    from m join x on x.id = m.look_id where x.replaces is null
    union all
    select x.student_id, x.sequence_id, x.part_from, x.side, x.condition_id, x.purpose, x.stage, x.day, x.at,
      x.of_counts || ',' || x.counts
    from l join x on x.id = l.id
    where x.replaces is null and x.counts is not null and x.of_counts is not null and x.part_from is not null
  ), s as (
    insert into standing (school_id, student_id, of, from_count, side, condition_id, purpose, stage, entries, grown)
    select $1, student_id, of, from_count, side, condition_id, coalesce(purpose, ''), coalesce(stage, ''),
      string_agg((day - date '1970-01-01')::text || ',' || ((extract(epoch from at) * 1000)::bigint)::text || ',' || what, ';'),
      count(*)
    from said group by 2, 3, 4, 5, 6, 7, 8 order by 2, 3, 4, 5, 6, 7, 8
    on conflict (school_id, student_id, of, from_count, side, condition_id, purpose, stage)
    do update set entries = standing.entries || ';' || excluded.entries, grown = standing.grown + excluded.grown
    returning student_id, of, grown >= ${GROWN}
      and split_part(entries, ',', 1)::int < current_date - date '1970-01-01' - ${REMEMBERED_DAYS} as old
  )
  select l.id, (select count(*)::int from m where m.look_id = l.id) as marks,
    (select json_agg(json_build_object('student', s.student_id, 'of', s.of)) from s where s.old) as grown
  from l`;

/**
 * Writes looks down. Those that are missing in the answer were not taken, and of the others perhaps not every mark. What a
 * correction changes is made anew from the looks.
 */
export async function recordLooks(tx: Transaction, schoolId: string, looks: readonly LookRow[]): Promise<Taken[]> {
  const { rows } = await tx.$client.query<Taken & { grown: { student: string; of: string }[] | null }>({
    name: 'looks.record',
    text: RECORD,
    values: [
      schoolId,
      JSON.stringify(looks.map((l) => ({ ...l, slips: l.slips ? storedSlips.keep([...l.slips]) : null }))),
    ],
  });
  const anew = new Map<string, Set<string>>();
  const add = (student: string, of: string) => anew.set(student, (anew.get(student) ?? new Set()).add(of));
  for (const g of rows[0]?.grown ?? []) add(g.student, g.of);
  const taken = new Set(rows.map((r) => r.id));
  for (const l of looks)
    if (l.replaces && taken.has(l.id)) for (const of of await touched(tx, l)) add(l.student_id, of);
  for (const [student, things] of anew) await restand(tx, student, [...things]);
  return rows.map(({ id, marks }) => ({ id, marks }));
}

/** Points and sequences of which a correction, or what it corrects, says something. */
async function touched(tx: Transaction, l: LookRow): Promise<string[]> {
  const { rows } = await tx.execute<{ of: string }>(sql`
    select point_id as of from mark where look_id in (${l.id}::uuid, ${l.replaces}::uuid)
    union select sequence_id from look where id in (${l.id}::uuid, ${l.replaces}::uuid) and sequence_id is not null`);
  return rows.map((r) => r.of);
}
