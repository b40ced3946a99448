import { sql } from 'drizzle-orm';
import type { FirstStepsView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readVersions } from '../../data/queries/syllabus';
import type { Who } from '../who';

type Made = { what: string; at: string | null } | null;
interface Row extends Record<string, unknown> {
  stance: Made;
  technique: Made;
  points: string[] | null;
  roll: Made;
  student: { id: string; name: string } | null;
  class: Made;
  look: Made;
}

/** Whether the school has a first verdict: something is asked of everybody, and somebody was watched. */
export async function hasVerdict(tx: Transaction): Promise<boolean> {
  const { rows } = await tx.execute<{ over: boolean }>(sql`
    select exists (select 1 from syllabus_version where state = 'published') and exists (select 1 from look) as over`);
  return rows[0]?.over === true;
}

/** "What is the next thing to do?": what a new school has, on its way to the first verdict. */
export async function firstStepsView(tx: Transaction, who: Who): Promise<FirstStepsView> {
  const { rows } = await tx.execute<Row>(sql`
    with first as (
      select id, name, changed_at from technique
      where not retired and kind not in ('stance', 'step', 'turn') order by changed_at limit 1)
    select
      (select json_build_object('what', name, 'at', changed_at) from technique
        where not retired and kind = 'stance' order by changed_at limit 1) as stance,
      (select json_build_object('what', name, 'at', changed_at) from first) as technique,
      (select json_agg(name order by position desc) from (select p.name, p.position from point p
        where p.technique_id in (select id from first) and not p.retired order by p.position limit 3) x) as points,
      (select json_build_object('what', count(*)::text, 'at', min(changed_at)) from person
        where role = 'student' and left_on is null having count(*) > 0) as roll,
      (select json_build_object('id', s.id, 'name', s.name) from person s where s.role = 'student' and s.left_on is null
        order by exists (select 1 from look l where l.student_id = s.id) desc, s.name limit 1) as student,
      (select json_build_object('what', count(a.person_id)::text, 'at', c.opened_at) from class_held c
        left join attendance a on a.school_id = c.school_id and a.class_id = c.id
        group by c.school_id, c.id, c.opened_at, c.day order by c.day limit 1) as class,
      (select json_build_object('what', p.name, 'at', l.at) from look l
        join person p on p.school_id = l.school_id and p.id = l.student_id order by l.at limit 1) as look`);
  const r = rows[0]!;
  const versions = await readVersions(tx);
  const placed = [versions.draft, ...versions.published]
    .flatMap((x) => (x ? versions.read(x).requirements : []))
    .map((x) => versions.ranks.find((k) => k.id === x.rankId)?.name ?? '');
  const first = versions.published[0];
  const made: FirstStepsView['done'] = {};
  if (r.stance) made.stance = r.stance;
  if (r.technique) made.technique = r.technique;
  if (placed.length > 0) made.way = { what: placed[0]!, at: null };
  if (first) made.publish = { what: first.title, at: first.changedAt.toISOString() };
  if (r.roll) made.roll = r.roll;
  if (r.class) made.class = r.class;
  if (r.look) made.look = r.look;
  if (first && r.look) made.verdict = { what: r.student?.name ?? '', at: null };
  return {
    done: made,
    points: r.points ?? [],
    belts: versions.ranks.slice(0, 2).map(({ name, cloth }) => ({ name, cloth })),
    student: r.student,
    timeZone: who.timeZone,
    today: who.today,
  };
}
