// P6: a student's page in a school of a hundred thousand marks, and in the same school a hundred times older.
import type pg from 'pg';
import { v7 } from 'uuid';
import { inSchool, type Database } from '../../src/data/connection';
import { writeSchool } from '../../src/data/demo/write/school';
import { user } from '../../src/data/tables/auth';
import { runView } from '../../src/server/views/run';
import { benchSchool, TODAY } from './school';
import { median, timed } from './timing';

const YOUNG = 100_000;
const OLD = 10_000_000;
const now = new Date(`${TODAY}T12:00:00Z`);

/** Fills a school and says who its head is. */
async function open(db: Database, owner: pg.Pool, made: ReturnType<typeof benchSchool>, name: string) {
  const schoolId = v7();
  const head = made.teachers[0]!;
  const me = { userId: v7(), email: `${name}@example.org`, schoolId, personId: head.id };
  await inSchool(db, schoolId, async (tx) => {
    await writeSchool(tx, schoolId, name, made);
    await tx.insert(user).values({ id: me.userId, name: 'x', email: me.email, schoolId, personId: head.id });
  });
  await owner.query(`update person set user_id = $1 where school_id = $2 and id = $3`, [me.userId, schoolId, head.id]);
  return me;
}

/** Forty years of people who left: their classes, looks and marks. */
async function grow(owner: pg.Pool, schoolId: string, marks: number) {
  const client = await owner.connect();
  try {
    // Foreign keys are true by the way the rows are made; checking ten million of them would only take time.
    await client.query(`set session_replication_role = replica`);
    await client.query(
      `insert into person (school_id, id, name, role, left_on)
       select $1, gen_random_uuid(), 'Former ' || g, 'student', date '2023-01-01' - (g % 14000) from generate_series(1, 3000) g`,
      [schoolId],
    );
    await client.query(
      `insert into rank_held (school_id, id, person_id, rank_id, since)
       select $1, gen_random_uuid(), p.id, (select id from rank where school_id = $1 order by position limit 1), p.left_on - 700
       from person p where p.school_id = $1 and p.left_on is not null`,
      [schoolId],
    );
    await client.query(
      `with people as (select array_agg(id) as ids from person where school_id = $1 and left_on is not null),
        things as (select array_agg(technique_id) as ids from (select technique_id from point where school_id = $1 group by 1 having count(*) >= 5) x)
       insert into look (school_id, id, student_id, technique_id, condition_id, day, at, side, by)
       select $1, gen_random_uuid(), people.ids[1 + g % 3000], things.ids[1 + g % cardinality(things.ids)],
         (select id from condition where school_id = $1 order by position limit 1 offset 3), date '2023-06-01' - (g % 14600)::int,
         timestamptz '2023-06-01' - (g % 14600) * interval '1 day', case when g % 2 = 0 then 'left' else 'right' end,
         (select id from person where school_id = $1 and role = 'head' limit 1)
       from people, things, generate_series(1, $2::bigint) g`,
      [schoolId, Math.ceil(marks / 5)],
    );
    await client.query(
      `insert into mark (school_id, look_id, point_id, kind, held, "of")
       select $1, l.id, p.id, 'seen', 4, 5 from look l join lateral (
         select id from point where school_id = $1 and technique_id = l.technique_id order by position limit 5) p on true
       where l.school_id = $1 and l.day < date '2023-06-02'`,
      [schoolId],
    );
    await client.query(`set session_replication_role = default`);
    await client.query('analyze look, mark, person, rank_held');
  } finally {
    client.release();
  }
}

export async function benchAge(db: Database, owner: pg.Pool) {
  const made = benchSchool(YOUNG);
  const young = await open(db, owner, made, 'Young');
  const old = await open(db, owner, made, 'Old');
  await grow(owner, old.schoolId, OLD - YOUNG);
  const ids = made.students.slice(0, 9).map((s) => s.id);
  const page = async (me: typeof young) => {
    // The first page of a school also reads what is kept for some minutes: its pool and habits.
    await runView(db, me, 'student', { id: ids[0]! }, now);
    const times: number[] = [];
    for (let i = 0; i < 3; i += 1)
      for (const id of ids) times.push(await timed(async () => void (await runView(db, me, 'student', { id }, now))));
    return median(times);
  };
  const first = await page(young);
  const second = await page(old);
  return {
    id: 'P6',
    what: `student’s page: ${Math.round(first)} ms in a school of ${YOUNG} marks, ${Math.round(second)} ms with ${OLD} (forty years of people who left); after the first page`,
    ratio: second / first,
    goal: '<= 1.3',
    ok: second / first <= 1.3,
  };
}
