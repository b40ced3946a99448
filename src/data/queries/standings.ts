// What is known of students, packed beside their looks: laid on look by look, and made anew from the looks themselves.
import { sql, type SQL } from 'drizzle-orm';
import { REMEMBERED_DAYS, REMEMBERED_ON_DAYS, REMEMBERED_REPETITIONS } from '../../core';
import type { Transaction } from '../connection';
import { standingLook } from './standingLook';

const PACKED_MARK =
  sql.raw(`(l.day - date '1970-01-01')::text || ',' || ((extract(epoch from l.at) * 1000)::bigint)::text || ','
  || m.held || ',' || m.of || coalesce(',' || array_to_string(m.values, ','), '')`);
const PACKED_SHOWING =
  sql.raw(`(l.day - date '1970-01-01')::text || ',' || ((extract(epoch from l.at) * 1000)::bigint)::text || ','
  || l.of_counts || ',' || l.counts`);

/** What looks say today, in the shape of the table of standings. Showings are remembered whole: they are few. */
const fromLooks = (looks: SQL, marks: SQL): SQL => sql`
  select school_id, student_id, of, 0::smallint as from_count, side, condition_id, purpose, stage,
    string_agg(packed, ';' order by day, packed) as entries
  from (
    select l.school_id, l.student_id, m.point_id as of, l.side, l.condition_id, coalesce(l.purpose, '') as purpose,
      coalesce(l.stage, '') as stage, ${PACKED_MARK} as packed, l.day, max(l.day) over kind as newest,
      coalesce(sum(m.of) over (kind order by l.day desc groups between unbounded preceding and 1 preceding), 0) as before,
      dense_rank() over (kind order by l.day desc) - 1 as days
    from ${standingLook} l join mark m on m.school_id = l.school_id and m.look_id = l.id
    where ${looks} and ${marks}
    window kind as (partition by l.school_id, l.student_id, m.point_id, l.side, l.condition_id, l.purpose, l.stage)
  ) x
  where newest - day <= ${REMEMBERED_DAYS}::int or before < ${REMEMBERED_REPETITIONS}::int or days < ${REMEMBERED_ON_DAYS}::int
  group by 1, 2, 3, 4, 5, 6, 7, 8`;
const fromShowings = (looks: SQL, sequences: SQL): SQL => sql`
  select l.school_id, l.student_id, l.sequence_id, l.part_from, l.side, l.condition_id, coalesce(l.purpose, ''),
    coalesce(l.stage, ''), string_agg(${PACKED_SHOWING}, ';' order by l.day)
  from ${standingLook} l
  where l.counts is not null and l.of_counts is not null and l.part_from is not null and ${looks} and ${sequences}
  group by 1, 2, 3, 4, 5, 6, 7, 8`;

const write = (rows: SQL): SQL => sql`
  insert into standing (school_id, student_id, of, from_count, side, condition_id, purpose, stage, entries) ${rows}`;

/** Makes what is known of one student at some points and sequences anew from the looks. The student's turn is held before. */
export async function restand(tx: Transaction, studentId: string, things: readonly string[]): Promise<void> {
  const some = sql`${sql.param([...new Set(things)])}::uuid[]`;
  const whose = sql`l.student_id = ${studentId}::uuid`;
  await tx.execute(sql`delete from standing where student_id = ${studentId}::uuid and of = any(${some})`);
  await tx.execute(write(fromLooks(whose, sql`m.point_id = any(${some})`)));
  await tx.execute(write(fromShowings(whose, sql`l.sequence_id = any(${some})`)));
}

const ALL = sql`true`;

/** Makes everything that is known in a school anew from its looks. Nobody may send looks meanwhile. */
export async function restandAll(tx: Transaction): Promise<void> {
  await tx.execute(sql`delete from standing`);
  // Whoever has neither looks nor classes is counted as that, whatever stood there.
  await tx.execute(sql`update change set looks = 0, last_here = null where looks <> 0 or last_here is not null`);
  await tx.execute(write(fromLooks(ALL, ALL)));
  await tx.execute(write(fromShowings(ALL, ALL)));
  await tx.execute(sql`
    insert into change (school_id, of, looks)
    select l.school_id, l.student_id, count(*)::int from ${standingLook} l group by 1, 2
    on conflict (school_id, of) do update set times = change.times + 1, looks = excluded.looks`);
  await tx.execute(sql`
    insert into change (school_id, of, last_here)
    select a.school_id, a.person_id, max(c.day)
    from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id group by 1, 2
    on conflict (school_id, of) do update set last_here = excluded.last_here`);
}

/** Counts anew when people were last in class; what is judged of them has changed. */
export async function cameToClass(tx: Transaction, schoolId: string, people: readonly string[]): Promise<void> {
  await hasChanged(tx, schoolId, people);
  await tx.execute(sql`
    update change h set last_here = (
      select max(c.day) from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id
      where a.school_id = h.school_id and a.person_id = h.of)
    where h.of = any(${sql.param([...people])}::uuid[])`);
}

/** Says that what is judged of some people has changed, or of the whole school where its id is among them. */
export async function hasChanged(tx: Transaction, schoolId: string, of: readonly string[]): Promise<void> {
  if (of.length === 0) return;
  await tx.execute(sql`
    insert into change (school_id, of) select ${schoolId}::uuid, x from unnest(${sql.param([...new Set(of)].sort())}::uuid[]) x
    on conflict (school_id, of) do update set times = change.times + 1`);
}

/** One that differs: what stands there, and what the looks say. */
export interface Astray extends Record<string, unknown> {
  studentId: string;
  of: string;
}

/**
 * Where what is kept says less or other than the looks themselves: nothing, unless there is a fault. What is too old to
 * matter may still stand.
 */
export async function standingsAstray(tx: Transaction): Promise<Astray[]> {
  const { rows } = await tx.execute<Astray>(sql`
    with should as (${fromLooks(ALL, ALL)} union all ${fromShowings(ALL, ALL)}),
      a as (select student_id, of, from_count, side, condition_id, purpose, stage, unnest(string_to_array(entries, ';')) as e from should),
      b as (select student_id, of, from_count, side, condition_id, purpose, stage, unnest(string_to_array(entries, ';')) as e from standing),
      raw as (
        select l.student_id, m.point_id as of, 0::smallint as from_count, l.side, l.condition_id, coalesce(l.purpose, '') as purpose,
          coalesce(l.stage, '') as stage, ${PACKED_MARK} as e
        from ${standingLook} l join mark m on m.school_id = l.school_id and m.look_id = l.id
        union all
        select l.student_id, l.sequence_id, l.part_from, l.side, l.condition_id, coalesce(l.purpose, ''), coalesce(l.stage, ''), ${PACKED_SHOWING}
        from ${standingLook} l where l.counts is not null and l.of_counts is not null and l.part_from is not null)
    select distinct student_id as "studentId", of from (
      (table a except all table b) union all (table b except all table raw)) x
    union select c.of, c.of from change c join person p on p.school_id = c.school_id and p.id = c.of and p.role = 'student'
      where c.looks <> (select count(*) from ${standingLook} l where l.school_id = c.school_id and l.student_id = c.of)
        or c.last_here is distinct from (select max(d.day) from attendance a
          join class_held d on d.school_id = a.school_id and d.id = a.class_id where a.school_id = c.school_id and a.person_id = c.of)`);
  return rows;
}
