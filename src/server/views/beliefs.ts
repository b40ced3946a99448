// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { desc, gte, inArray, sql } from 'drizzle-orm';
import {
  beliefOf,
  chanceOfItem,
  chanceOnTheDay,
  chooseFocus,
  dayNumber,
  driftOf,
  evidenceUntil,
  FIRST_SLOPE,
  forecastInput,
  gateInWords,
  habitsFrom,
  HOUSE_RULE,
  itemBelief,
  itemKey,
  LOOKS_TO_SPEAK,
  lookWorths,
  poolPriors,
  poolSlope,
  praiseFor,
  priorOf,
  reasonInWords,
  recalibrate,
  restsWork,
  seededBy,
  seenBy,
  showingSeconds,
  slippingPoints,
  type BeltChance,
  type Evidence,
  type Focus,
  type FocusGiven,
  type FocusSource,
  type ForecastInput,
  type Grounds,
  type LookWorth,
  type Outcome,
  type Praise,
  type Resting,
  type SchoolHabits,
  type Slipping,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence } from '../../data/queries/evidence';
import { focusGiven, gradingDay, injury, outcome, pause } from '../../data/tables';
import type { Who } from '../who';
import { judgeGates, judgeStudent, rankAbove, readJudging, type Judged, type Judging } from './judging';
import { poolSums } from './pool';

/** What belongs to the school and changes slowly: kept for some minutes in this process. */
export interface SchoolBeliefs {
  pool: Grounds['prior'];
  habits: SchoolHabits;
}
const KEPT_FOR = 10 * 60_000;
const kept = new Map<string, { at: number; day: string; value: SchoolBeliefs }>();

/** The school's pool and habits as of today. */
export async function schoolBeliefs(tx: Transaction, who: Who, j: Judging): Promise<SchoolBeliefs> {
  const known = kept.get(who.schoolId);
  if (known && known.day === who.today && Date.now() - known.at < KEPT_FOR) return known.value;
  const value = { pool: poolPriors(await poolSums(tx, who.today)), habits: await readHabits(tx, j, who.today) };
  kept.set(who.schoolId, { at: Date.now(), day: who.today, value });
  return value;
}

async function readHabits(tx: Transaction, j: Judging, today: string): Promise<SchoolHabits> {
  const since = sql`${today}::date - 56`;
  const classes = await tx.execute<{ day: string; minutes: number }>(
    sql`select day::text as day, minutes from class_held where day >= ${since} and day < ${today}::date`,
  );
  const counts = await tx.execute<{ attended: number; lookdays: number; students: string[] | null }>(sql`
    select
      (select count(*)::int from attendance a join class_held c on c.school_id = a.school_id and c.id = a.class_id
        where c.day >= ${since} and c.day < ${today}::date) as attended,
      (select count(distinct (l.student_id, coalesce(l.technique_id, l.sequence_id), l.day))::int from look l
        where l.day >= ${since} and l.day < ${today}::date) as lookdays,
      (select array_agg(x.id::text) from (select distinct l.student_id as id from look l where l.day >= ${since}
        order by 1 limit 40) x) as students`);
  const seen = await tx.execute<{ technique: string; looks: number; marks: number }>(sql`
    select l.technique_id as technique, count(distinct l.id)::int as looks, count(*)::int as marks
    from look l join mark m on m.school_id = l.school_id and m.look_id = l.id
    where l.day >= ${since} and l.technique_id is not null group by 1`);
  const one = counts.rows[0]!;
  const ids = one.students ?? [];
  const sample = ids.length > 0 ? await readEvidence(tx, () => undefined, ids) : new Map<string, Evidence>();
  const attendance = ids.length > 0 ? await readAttendance(tx, ids) : new Map<string, { day: number }[]>();
  const series = [...sample].flatMap(([id, evidence]) => {
    const attended = (attendance.get(id) ?? []).map((c) => c.day).sort((a, b) => a - b);
    return [...evidence.values()].flatMap((sides) =>
      (['left', 'right', 'none'] as const).map((side) => seenBy(sides[side].slice(0, 20), attended, () => 1)),
    );
  });
  const inForce = j.versions.inForce(today);
  const asked = inForce ? j.versions.read(inForce) : null;
  return habitsFrom(
    {
      today,
      classes: classes.rows.map((c) => ({ day: dayNumber(c.day), minutes: c.minutes })),
      lookDays: one.lookdays,
      attended: one.attended,
      asked: asked ? asked.requirements.length / Math.max(1, asked.ranks.length - 1) : 1,
      marks: seen.rows.reduce((n, r) => n + r.marks, 0),
      points: seen.rows.reduce((n, r) => n + r.looks * j.library.pointsOf(r.technique).length, 0),
    },
    poolSlope(series),
  );
}

/** The next day on which the school grades; null: none is set. */
export async function nextGrading(tx: Transaction, today: string): Promise<string | null> {
  const rows = await tx.select().from(gradingDay).where(gte(gradingDay.day, today)).orderBy(gradingDay.day).limit(1);
  return rows[0]?.day ?? null;
}

/** A school changes; older decisions than so many say nothing of it any more. */
const NEWEST_OUTCOMES = 500;

/** Chances that were believed, with what was decided; those of the first grading have none to learn from. */
export async function pastOutcomes(tx: Transaction): Promise<Outcome[]> {
  const rows = await tx
    .select({ chance: outcome.chance, came: outcome.passed })
    .from(outcome)
    .orderBy(desc(outcome.day))
    .limit(NEWEST_OUTCOMES);
  return rows.flatMap((r) => (r.chance === null ? [] : [{ chance: r.chance, came: r.came }]));
}

const NOTHING: Evidence = new Map();

export const groundsOf = (j: Judging, s: SchoolBeliefs, student: { id: string; since: string }): Grounds => {
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  return {
    evidence,
    order: j.syllabusOf(student).order,
    today: j.today,
    prior: priorOf(s.pool, evidence, j.today),
    drift: driftOf(
      s.habits.slope,
      (j.attendance.get(student.id) ?? []).map((c) => c.day),
      j.today,
    ),
  };
};

/** The chance on the day for a belt, as believed; items the head has decided are sure. */
export function beltChance(judged: readonly Judged[], g: Grounds, seed: string, draws?: number): BeltChance | null {
  const asked = judged.filter((x) => x.override?.word !== 'met');
  if (asked.length === 0) return null;
  const items = asked.map((x) => itemBelief(x.requirement, x.verdict, g));
  return chanceOnTheDay(items, seededBy(seed), HOUSE_RULE, draws);
}

export const chanceOfOne = (x: Judged, g: Grounds) => {
  const said = chanceOfItem(itemBelief(x.requirement, x.verdict, g));
  return said.looks >= LOOKS_TO_SPEAK && x.verdict.points.length > 0 ? said : null;
};

/** What was believed of a candidate on the day of a grading, from the looks before it; null where too little was known. */
export async function beltChanceOn(
  tx: Transaction,
  studentId: string,
  rankId: string,
  day: string,
): Promise<number | null> {
  const j = await readJudging(tx, day, [studentId]);
  const before = evidenceUntil(j.evidence.get(studentId) ?? NOTHING, dayNumber(day));
  const asOf = { ...j, evidence: new Map([[studentId, before]]) };
  const habits = { classDays: [], hoursPerClass: 1, lookChance: 0.1, marked: 1, slope: FIRST_SLOPE };
  const school = { pool: poolPriors(await poolSums(tx, day)), habits };
  const student = { id: studentId, since: day };
  const judged = judgeStudent(asOf, student, rankId);
  if (judged.length === 0) return null;
  const chance = beltChance(judged, groundsOf(asOf, school, student), `${studentId} ${day}`);
  return chance && chance.looks >= LOOKS_TO_SPEAK ? chance.chance : null;
}

/** What a teacher believes once outcomes have spoken. */
export const corrected = (outcomes: readonly Outcome[]) => recalibrate(outcomes);

export type GivenRow = typeof focusGiven.$inferSelect;
/** The newest correction given to each student. */
export async function readGiven(tx: Transaction, studentIds?: readonly string[]): Promise<Map<string, GivenRow>> {
  const rows = await tx
    .select()
    .from(focusGiven)
    .where(studentIds ? inArray(focusGiven.studentId, [...studentIds]) : undefined)
    .orderBy(desc(focusGiven.at));
  const newest = new Map<string, GivenRow>();
  for (const r of rows) if (!newest.has(r.studentId)) newest.set(r.studentId, r);
  return newest;
}

export interface FocusRead {
  focus: Focus | null;
  slipping: readonly Slipping[];
  praise: Praise;
}

/** The one correction, everything else that slips, and one true thing to praise. */
export function focusOf(
  j: Judging,
  student: { id: string; since: string; rankId: string },
  judged: readonly Judged[],
  given: GivenRow | undefined,
): FocusRead {
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  const source = (x: Judged, open: boolean): FocusSource => ({
    requirementId: x.requirement.id,
    open,
    repetitions: x.requirement.standard.repetitions,
    days: x.requirement.standard.days,
    verdict: x.verdict,
  });
  // Counts of a form are shown on its own card; the one correction is a point of a technique.
  const open = judged.filter((x) => x.override?.word !== 'met' && 'technique' in x.requirement.item);
  let slipping = slippingPoints(
    open.map((x) => source(x, true)),
    evidence,
    given,
  );
  if (slipping.length === 0) {
    const { ranks } = j.syllabusOf(student);
    const worn = ranks.findIndex((r) => r.id === student.rankId);
    const earlier = ranks.slice(0, worn + 1).flatMap((r) => judgeStudent(j, student, r.id));
    slipping = slippingPoints(
      earlier.filter((x) => 'technique' in x.requirement.item).map((x) => source(x, false)),
      evidence,
      given,
    );
  }
  const said: FocusGiven | null = given
    ? { pointId: given.pointId, side: given.side, since: given.day, chosen: given.chosen, reason: given.reason }
    : null;
  const today = dayNumber(j.today);
  const attended = (j.attendance.get(student.id) ?? []).filter((c) => today - c.day < 28 && c.day <= today).length;
  return {
    focus: chooseFocus(slipping, said),
    slipping,
    praise: praiseFor(
      open.flatMap((x) => x.verdict.points.map((p) => ({ point: p.point, side: p.side }))),
      evidence,
      attended,
      j.today,
    ),
  };
}

/** Work that rests for each student: open injuries and pauses. */
export async function readResting(
  tx: Transaction,
  today: string,
  studentIds?: readonly string[],
): Promise<Map<string, Resting[]>> {
  const out = new Map<string, Resting[]>();
  const add = (id: string, r: Resting) => out.set(id, [...(out.get(id) ?? []), r]);
  const some = studentIds ? [...studentIds] : null;
  for (const i of await tx
    .select()
    .from(injury)
    .where(some ? inArray(injury.studentId, some) : undefined))
    if (i.from <= today && i.until >= today) add(i.studentId, { what: i.what, until: i.until, itemKey: null });
  for (const p of await tx
    .select()
    .from(pause)
    .where(some ? inArray(pause.studentId, some) : undefined))
    if (p.from <= today && (p.until === null || p.until >= today))
      add(p.studentId, {
        what: p.habit,
        until: p.until,
        itemKey: p.techniqueId ? `t:${p.techniqueId}` : `s:${p.sequenceId}`,
      });
  return out;
}

/** Why an item rests for a student today; null: it does not. */
export function restOf(j: Judging, item: Judged['requirement']['item'], resting: readonly Resting[]): Resting | null {
  if (resting.length === 0) return null;
  const kind = j.items.kindOf(item);
  return restsWork(
    {
      key: 'technique' in item ? itemKey(item) : `s:${item.sequence}`,
      name: j.items.nameOf(item),
      kind,
      bodyParts: j.items.pointsOf(item).map((p) => p.bodyPart),
      partner: kind === 'partner drill',
    },
    resting,
  );
}

/** What looks at each requirement of a student are worth today; resting work is left out. */
export function worthsOf(
  j: Judging,
  g: Grounds,
  student: { id: string },
  judged: readonly Judged[],
  grading: string | null,
  resting: readonly Resting[],
): LookWorth[] {
  const conditionName = new Map(j.versions.conditions.map((c) => [c.id, c.name]));
  return lookWorths(
    student.id,
    judged
      .filter((x) => x.override === null && restOf(j, x.requirement.item, resting) === null)
      .map((x) => {
        const { requirement: r, verdict } = x;
        return {
          requirementId: r.id,
          itemKey: itemKey(r.item),
          conditionId: r.conditionId,
          freshDays: r.standard.freshDays,
          repetitions: r.standard.repetitions,
          days: r.standard.days,
          verdict,
          ...('sequence' in r.item ? { seconds: showingSeconds(verdict.points.length) } : {}),
          reason: reasonInWords(verdict, {
            standard: r.standard,
            today: j.today,
            conditionName: conditionName.get(r.conditionId) ?? '',
          }),
          belief: (p, side) => beliefOf(r, p.id, side, g),
        };
      }),
    j.today,
    grading,
  );
}

/** All that the forecast of a student needs, to be simulated in a worker. */
export function forecastFor(
  j: Judging,
  s: SchoolBeliefs,
  student: { id: string; since: string; rankId: string; born: string | null },
  first: string | null,
  grading: string | null,
): ForecastInput | null {
  const { ranks } = j.syllabusOf(student);
  const next = rankAbove(ranks, student.rankId);
  if (!next) return null;
  const judged = judgeStudent(j, student, next.id);
  const rankName = ranks.find((r) => r.id === student.rankId)?.name ?? '';
  return forecastInput(
    judged.map((x) => ({
      requirement: x.requirement,
      name: j.items.nameOf(x.requirement.item),
      verdict: x.verdict,
      settled: x.override?.word === 'met',
    })),
    groundsOf(j, s, student),
    {
      attended: (j.attendance.get(student.id) ?? []).map((c) => c.day).sort((a, b) => a - b),
      trainedSince: first,
      habits: s.habits,
      gates: judgeGates(j, student, next.id).map((verdict) => ({
        verdict,
        name: gateInWords(verdict, rankName, j.today).has,
      })),
      gradingDay: grading,
    },
  );
}
