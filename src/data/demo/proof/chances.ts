// Chances on the day held against gradings drawn from the known truth.
import {
  brierScore,
  chanceOnTheDay,
  driftOf,
  itemBelief,
  expectedOf,
  levelOf,
  seeded,
  USUAL_RULE,
  type PlainDate,
  type Random,
} from '../../../core';
import { techniqueOf, type DemoStudent } from '../generate';
import { passesTruly } from '../grading';
import { askedOf, evidenceBefore, habitsBefore, judgeOn, priorsBefore, spreadsBefore, type TrueSchool } from './school';

/** What a grading on a day would decide of a student's next belt. */
const gradedTruly = (school: TrueSchool, s: DemoStudent, day: PlainDate, random: Random): boolean =>
  passesTruly(
    askedOf(school, s),
    {
      pointsOf: school.pointsOf,
      isSided: (r) => school.byId.get(techniqueOf(r))!.sided,
      truth: (pointId, side) => school.truth(s.id, pointId, side, day),
    },
    random,
  );

const GRADINGS = 5;

/** Chances on the day against gradings drawn from the truth: the Brier score beside that of always saying the base rate. */
export function chancesAgainstTruth(school: TrueSchool, days: readonly PlainDate[], seed: number, draws = 400) {
  const random = seeded(seed);
  const outcomes: { chance: number; came: boolean }[] = [];
  for (const day of days) {
    const prior = priorsBefore(school, day);
    const { slope } = habitsBefore(school, day);
    const spreads = spreadsBefore(school, prior, slope, day);
    for (const s of school.students) {
      const asked = askedOf(school, s);
      if (asked.length === 0) continue;
      const evidence = evidenceBefore(school, s.id, day);
      const drift = spreads.growth * driftOf(slope, school.attendedBy.get(s.id)!, day);
      const g = {
        evidence,
        order: school.order,
        today: day,
        expected: expectedOf(prior, levelOf(prior, evidence, day, drift, spreads), spreads),
        drift,
      };
      const items = asked.map((r) => itemBelief(r, judgeOn(school, r, g.evidence, day), g));
      const said = chanceOnTheDay(items, random, USUAL_RULE, draws);
      if (said.looks < 5) continue;
      // Each day is graded several times over: the truth is a chance, too.
      for (let i = 0; i < GRADINGS; i += 1)
        outcomes.push({ chance: said.chance, came: gradedTruly(school, s, day, random) });
    }
  }
  const rate = outcomes.filter((o) => o.came).length / outcomes.length;
  return { outcomes, brier: brierScore(outcomes), base: rate * (1 - rate), rate };
}

/** What was said against what came: on the whole, and in the tenth that is farthest off, of those with 20 cases or more. */
export function calibrationOf(outcomes: readonly { chance: number; came: boolean }[]) {
  const mean = (list: readonly { chance: number; came: boolean }[]) => ({
    said: list.reduce((n, o) => n + o.chance, 0) / list.length,
    came: list.filter((o) => o.came).length / list.length,
  });
  let worst = 0;
  for (let tenth = 0; tenth < 10; tenth += 1) {
    const own = outcomes.filter((o) => Math.min(9, Math.floor(o.chance * 10)) === tenth);
    if (own.length < 20 * GRADINGS) continue;
    const m = mean(own);
    worst = Math.max(worst, Math.abs(m.said - m.came));
  }
  return { ...mean(outcomes), worst };
}
