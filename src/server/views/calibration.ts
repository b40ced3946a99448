import { desc, sql } from 'drizzle-orm';
import type { CalibrationView } from '../../contracts/views';
import {
  addBinned,
  addDays,
  betaBinomialAtLeast,
  binned,
  chanceInWords,
  chanceMetWithin,
  dayNumber,
  evidenceUntil,
  forecastInput,
  leniencyOf,
  MARKS_TO_COMPARE,
  OUTCOMES_TO_SPEAK,
  posteriorOf,
  reliabilityFrom,
  reliabilityOf,
  seededBy,
  type Binned,
  type Outcome,
  type WatchedMark,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readRoll, type RollRow } from '../../data/queries/roll';
import { outcome, person, rank } from '../../data/tables';
import { groundsOf } from '../belief/chance';
import { pastOutcomes } from '../belief/gradings';
import { schoolBeliefs, type SchoolBeliefs } from '../belief/school';
import { judgeStudent } from '../judging/judge';
import { eachTime, NOTHING, readJudging, type Judging } from '../judging/judging';
import { rankAbove } from '../judging/rankAbove';
import type { Who } from '../who';
import { standingLook } from '../../data/queries/standingLook';

const LATELY = 60;
/** A point stands in a look if so much of it held: the share of a steady standard. */
const STANDS = 0.8;

/** For each look of the last weeks: the chance, from the looks before it, that the point would stand in it, and whether it did. */
function lookOutcomes(j: Judging, s: SchoolBeliefs, students: readonly RollRow[]): Binned {
  const each = students.map((student) =>
    j.once(student.id, 'looks against chances', `${s.serial} ${j.syllabusOf(student).versionId}`, () =>
      binned(outcomesOf(j, s, student)),
    ),
  );
  return addBinned(each);
}

function outcomesOf(j: Judging, s: SchoolBeliefs, student: RollRow): Outcome[] {
  const today = dayNumber(j.today);
  const out: Outcome[] = [];
  const g = groundsOf(j, s, student);
  for (const [pointId, sides] of g.evidence)
    for (const side of ['left', 'right', 'none'] as const) {
      const entries = sides[side];
      for (let i = 0; i < entries.length && today - entries[i]!.day <= LATELY; i += 1) {
        const e = entries[i]!;
        const before = entries.slice(i + 1).filter((x) => x.day < e.day);
        const asked = { conditionId: e.conditionId, purpose: null, order: g.order };
        const belief = posteriorOf(before, g.expected(pointId, side), asked, e.day, g.drift);
        if (belief.looks < 1) continue;
        const needed = Math.ceil(STANDS * e.of - 1e-9);
        out.push({ chance: betaBinomialAtLeast(needed, e.of, belief.a, belief.b), came: e.held >= needed });
      }
    }
  return out;
}

const WEEKS_BACK = 8;

/** As of eight weeks ago: the chance that everything asked would be met by today, and whether it is. Gates aside. */
function forecastOutcomes(j: Judging, s: SchoolBeliefs, students: readonly RollRow[]): Outcome[] {
  const then = addDays(j.today, -7 * WEEKS_BACK);
  return students.flatMap((student): Outcome[] => {
    const { ranks, versionId } = j.syllabusOf(student);
    const next = rankAbove(ranks, student.rankId);
    if (!next || student.since > then) return [];
    return j.once(student.id, 'forecast against today', `${s.serial} ${next.id} ${versionId}`, () =>
      forecastOutcome(j, then, s, student, next.id),
    );
  });
}

function forecastOutcome(j: Judging, then: string, s: SchoolBeliefs, student: RollRow, nextId: string): Outcome[] {
  const day = dayNumber(then);
  const evidence = new Map([[student.id, evidenceUntil(j.evidence.get(student.id) ?? NOTHING, day)]]);
  const back: Judging = { ...j, evidence, today: then, once: eachTime };
  const now = judgeStudent(j, student, nextId);
  const judged = judgeStudent(back, student, nextId);
  if (judged.every((x) => x.verdict.word === 'met')) return [];
  const input = forecastInput(
    judged.map((x) => ({ requirement: x.requirement, name: '', verdict: x.verdict, settled: false })),
    groundsOf(back, s, student),
    {
      attended: (j.attendance.get(student.id) ?? [])
        .map((c) => c.day)
        .filter((d) => d < day)
        .sort((a, b) => a - b),
      trainedSince: student.since,
      habits: s.habits,
      gates: [],
      gradingDay: null,
    },
  );
  const chance = chanceMetWithin(input, WEEKS_BACK, seededBy(`${student.id} ${then}`));
  return chance === null ? [] : [{ chance, came: now.every((x) => x.verdict.word === 'met') }];
}

/** How lenient each teacher is beside the others who marked the same, from what was there this morning. */
async function leniency(tx: Transaction, j: Judging): Promise<ReturnType<typeof leniencyOf>> {
  const known = j.made.get('leniency') as ReturnType<typeof leniencyOf> | undefined;
  if (known) return known;
  const { rows } = await tx.execute<{ by: string; thing: string; day: string; held: number; of: number }>(sql`
    select l.by, l.student_id::text || m.point_id::text || l.side || l.condition_id::text as thing, l.day::text as day,
      case when m.values is null then m.held
        else (select count(*)::int from unnest(m.values) x where x between p.accepted_lo and p.accepted_hi) end as held, m.of as "of"
    from ${standingLook} l join mark m on m.school_id = l.school_id and m.look_id = l.id
    join point p on p.school_id = m.school_id and p.id = m.point_id
    where l.day > ${j.today}::date - 120 and l.day < ${j.today}::date and m.kind <> 'felt'`);
  const found = leniencyOf(rows.map((r): WatchedMark => ({ ...r, day: dayNumber(r.day) })));
  j.made.set('leniency', found);
  return found;
}

/** "How good were our chances?": for the head. Says nothing where there is too little. */
export async function calibrationView(tx: Transaction, who: Who): Promise<CalibrationView> {
  const j = await readJudging(tx, who.today);
  const s = await schoolBeliefs(tx, j);
  const past = await pastOutcomes(tx);
  const students = await readRoll(tx);
  const looks = reliabilityFrom(lookOutcomes(j, s, students));
  const forecasts = forecastOutcomes(j, s, students);
  const names = new Map(
    (await tx.select({ id: person.id, name: person.name }).from(person)).map((p) => [p.id, p.name]),
  );
  const recent = await tx
    .select({
      studentId: outcome.studentId,
      rank: rank.name,
      day: outcome.day,
      passed: outcome.passed,
      chance: outcome.chance,
    })
    .from(outcome)
    .innerJoin(rank, sql`${rank.id} = ${outcome.rankId} and ${rank.schoolId} = ${outcome.schoolId}`)
    .orderBy(desc(outcome.day), outcome.studentId)
    .limit(60);
  return {
    gradings: past.length >= OUTCOMES_TO_SPEAK ? reliabilityOf(past) : null,
    gradingCount: past.length,
    looks: looks.n >= OUTCOMES_TO_SPEAK ? looks : null,
    lookCount: looks.n,
    forecasts: forecasts.length >= OUTCOMES_TO_SPEAK ? reliabilityOf(forecasts) : null,
    forecastCount: forecasts.length,
    teachers: (await leniency(tx, j))
      .filter((l) => l.compared >= MARKS_TO_COMPARE)
      .map((l) => ({ ...l, name: names.get(l.by) ?? '' })),
    recent: recent.map((r) => ({
      name: names.get(r.studentId) ?? '',
      rank: r.rank,
      day: r.day,
      passed: r.passed,
      words: r.chance === null ? null : chanceInWords(r.chance),
    })),
  };
}
