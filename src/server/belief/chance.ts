// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import {
  chanceOfItem,
  chanceOnTheDay,
  dayNumber,
  driftOf,
  evidenceUntil,
  expectedOf,
  itemBelief,
  levelOf,
  LOOKS_TO_SPEAK,
  seededBy,
  WATCHED_TO_SPEAK,
  watchedShare,
  type BeltChance,
  type GradingRule,
  type Grounds,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { judgeStudent, type Judged } from '../judging/judge';
import { eachTime, NOTHING, readJudging, type Judging } from '../judging/judging';
import { schoolBeliefs, type Mornings, type SchoolBeliefs } from './school';

export const groundsOf = (j: Judging, s: SchoolBeliefs, student: { id: string; since: string }): Grounds => {
  const { order, versionId } = j.syllabusOf(student);
  return j.once(student.id, 'grounds', `${s.serial} ${versionId}`, () => {
    const evidence = j.evidence.get(student.id) ?? NOTHING;
    const attended = (j.attendance.get(student.id) ?? []).map((c) => c.day);
    const drift = s.spreads.growth * driftOf(s.habits.slope, attended, j.today);
    return {
      evidence,
      order,
      today: j.today,
      expected: expectedOf(s.pool, levelOf(s.pool, evidence, j.today, drift, s.spreads), s.spreads),
      drift,
    };
  });
};

/** The chance of a student on the day for a belt, reckoned once for so many draws. */
export const beltChanceOf = (
  j: Judging,
  s: SchoolBeliefs,
  student: { id: string; since: string },
  rankId: string,
  draws?: number,
): BeltChance | null =>
  j.once(student.id, `chance ${rankId} ${draws ?? ''}`, `${s.serial} ${j.syllabusOf(student).versionId}`, () =>
    beltChance(
      judgeStudent(j, student, rankId),
      groundsOf(j, s, student),
      { seed: `${student.id} ${j.today}`, rule: j.syllabusOf(student).body.grading },
      draws,
    ),
  );

/** The chance on the day for a belt, as believed; items the head has decided are sure. Null while too little was watched. */
export function beltChance(
  judged: readonly Judged[],
  g: Grounds,
  { seed, rule }: { seed: string; rule: GradingRule },
  draws?: number,
): BeltChance | null {
  const asked = judged.filter((x) => x.override?.word !== 'met');
  if (asked.length === 0 || watchedShare(asked.map((x) => x.verdict.word)) < WATCHED_TO_SPEAK) return null;
  const items = asked.map((x) => itemBelief(x.requirement, x.verdict, g));
  return chanceOnTheDay(items, seededBy(seed), rule, draws);
}

export const chanceOfOne = (x: Judged, g: Grounds, rule: GradingRule) => {
  const said = chanceOfItem(itemBelief(x.requirement, x.verdict, g), rule);
  return said.looks >= LOOKS_TO_SPEAK && x.verdict.points.length > 0 ? said : null;
};

/**
 * What was believed of a candidate on the day of a grading, from the looks before it; null where too little was known.
 * What is learned of the school for it is the same for everybody of that day, and is kept in `mornings`.
 */
export async function beltChanceOn(
  tx: Transaction,
  studentId: string,
  rankId: string,
  day: string,
  mornings: Mornings = new Map(),
): Promise<number | null> {
  const j = await readJudging(tx, day, [studentId]);
  const before = evidenceUntil(j.evidence.get(studentId) ?? NOTHING, dayNumber(day));
  // Nor does a word of the head reach back before the day on which it was said.
  const overrides = new Map([...j.overrides].filter(([, o]) => o.day < day));
  const asOf = { ...j, overrides, evidence: new Map([[studentId, before]]), once: eachTime };
  const student = { id: studentId, since: day };
  const judged = judgeStudent(asOf, student, rankId);
  if (judged.length === 0) return null;
  const school = mornings.get(day) ?? (await schoolBeliefs(tx, j));
  mornings.set(day, school);
  const chance = beltChance(judged, groundsOf(asOf, school, student), {
    seed: `${studentId} ${day}`,
    rule: asOf.syllabusOf(student).body.grading,
  });
  return chance && chance.looks >= LOOKS_TO_SPEAK ? chance.chance : null;
}
