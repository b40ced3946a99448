import { sql } from 'drizzle-orm';
import type { Transaction } from '../connection';

/** A list that was taken in, and what has become of it. */
export interface RollImport extends Record<string, unknown> {
  /** Of the command by which it came. */
  id: string;
  at: Date | string;
  by: string;
  /** Who of it is still on the roll, by name. */
  students: { id: string; name: string; touched: boolean }[];
  taken: number;
}

/**
 * Lists of students that were taken in, the newest first. Somebody is touched as soon as there is anything of them but the
 * line by which they came: a look, a class, a word of consent, a sign-in, a guardian, another belt, another name.
 */
export async function readImports(tx: Transaction, id?: string): Promise<RollImport[]> {
  const { rows } = await tx.execute<RollImport>(sql`
    with came as (
      select h.id, h.made_at, h.by, s->>'id' as student from history h, jsonb_array_elements(h.input->'students') s
      where h.command = 'student.import' and jsonb_typeof(h.input->'students') = 'array'
        ${id === undefined ? sql`` : sql`and h.id = ${id}::uuid`}
    ), stays as (
      select came.id, p.id as student, p.name, p.user_id is not null or p.version > 1 or p.left_on is not null
          or (select count(*) from rank_held r where r.school_id = p.school_id and r.person_id = p.id) <> 1
          or exists (select 1 from look l where l.student_id = p.id) or exists (select 1 from look l where l.partner_id = p.id)
          or exists (select 1 from attendance a where a.person_id = p.id)
          or exists (select 1 from consent c where c.student_id = p.id)
          or exists (select 1 from picture_word w where w.student_id = p.id)
          or exists (select 1 from injury i where i.student_id = p.id)
          or exists (select 1 from pause x where x.student_id = p.id)
          or exists (select 1 from outcome o where o.student_id = p.id)
          or exists (select 1 from override o where o.student_id = p.id)
          or exists (select 1 from adaptation a where a.student_id = p.id)
          or exists (select 1 from focus_given f where f.student_id = p.id)
          or exists (select 1 from practice x where x.student_id = p.id)
          or exists (select 1 from load_done l where l.student_id = p.id)
          or exists (select 1 from load_word l where l.student_id = p.id)
          or exists (select 1 from guardian_of g where g.student_id = p.id)
          or exists (select 1 from syllabus_followed f where f.student_id = p.id)
          or exists (select 1 from incident i where p.id in (i.hurt_id, i.cause_id)) as touched
      from came join person p on p.id = came.student::uuid
      where exists (select 1 from rank_held r where r.school_id = p.school_id and r.person_id = p.id)
    )
    select c.id, min(c.made_at) as at, coalesce(min(b.name), '') as by, count(*)::int as taken,
      coalesce((select json_agg(json_build_object('id', s.student, 'name', s.name, 'touched', s.touched) order by s.name)
        from stays s where s.id = c.id), '[]') as students
    from came c left join person b on b.id = c.by
    group by c.id order by at desc limit 20`);
  return rows;
}
