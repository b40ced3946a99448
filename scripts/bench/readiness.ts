// P1: readiness of the whole school against PostgreSQL handing out the same rows raw.
import type pg from 'pg';
import type { Database } from '../../src/data/connection';
import { inSchool, throughSchool } from '../../src/data/connection';
import type { DemoSchool } from '../../src/data/demo/generate';
import { recordLooks } from '../../src/data/queries/recordLooks';
import { readRoll } from '../../src/data/queries/roll';
import { judgeGates } from '../../src/server/judging/gates';
import { judgeStudent } from '../../src/server/judging/judge';
import { readJudging } from '../../src/server/judging/judging';
import { rankAbove } from '../../src/server/judging/rankAbove';
import { median, timed } from './timing';
import { lookNow } from './years';

const RAW = `select m.look_id, m.point_id, m.kind, m.held, m.of, m.values, l.student_id, l.condition_id, l.day::text, l.side, l.purpose, l.at, l.replaces
  from mark m join look l on l.school_id = m.school_id and l.id = m.look_id where m.school_id = $1`;

/** Every student against all ninety requirements, words and gates, from the database to the answer. */
async function readyAll(db: Database, schoolId: string, today: string) {
  return throughSchool(db, schoolId, {
    first: 'select 1',
    readOnly: true,
    work: async (tx) => {
      const j = await readJudging(tx, today);
      const roll = await readRoll(tx);
      let verdicts = 0;
      for (const s of roll) {
        for (const r of j.versions.ranks) verdicts += judgeStudent(j, s, r.id).length;
        const next = rankAbove(j.versions.ranks, s.rankId);
        if (next) judgeGates(j, s, next.id);
      }
      return { value: verdicts, last: null };
    },
  });
}

export async function benchReadiness(db: Database, pool: pg.Pool, schoolId: string, today: string, made: DemoSchool) {
  const raw: number[] = [];
  const ours: number[] = [];
  let rows = 0;
  let verdicts = 0;
  for (let i = 0; i < 7; i += 1) {
    raw.push(await timed(async () => void (rows = (await pool.query(RAW, [schoolId])).rowCount ?? 0)));
    // Somebody was looked at since.
    await inSchool(db, schoolId, (tx) => recordLooks(tx, schoolId, [lookNow(made, i)]));
    ours.push(await timed(async () => void (verdicts = await readyAll(db, schoolId, today))));
  }
  const [r, o] = [median(raw.slice(2)), median(ours.slice(2))];
  return {
    id: 'P1',
    what: `readiness: ${verdicts} verdicts from ${rows} marks in ${Math.round(o)} ms after one new look (first ${Math.round(ours[0]!)} ms); the same rows raw ${Math.round(r)} ms`,
    ratio: o / r,
    goal: '<= 0.25',
    ok: o / r <= 0.25,
  };
}
