// What judgement is measured by: each function holds one promise against the known truth of a generated school.
import {
  addDays,
  beliefOf,
  betaCdf,
  BODY_PARTS,
  brierScore,
  canHurt,
  chanceOnTheDay,
  chooseFocus,
  dayNumber,
  driftOf,
  entriesOn,
  forecast,
  forecastInput,
  gatherEvidence,
  HOUSE_RULE,
  isHeld,
  itemBelief,
  lookWorths,
  nextLooks,
  expectedOf,
  levelOf,
  rangesFor,
  seeded,
  seedOf,
  slippingPoints,
  STEADY,
  type FocusSource,
  type Look,
  type LookedFor,
  type Mark,
  type PlainDate,
  type Point,
  type Random,
  type Side,
  type Verdict,
} from '../../../core';
import { techniqueOf, type DemoStudent } from '../generate';
import { passesTruly } from '../grading';
import { askedOf, evidenceBefore, habitsBefore, judgeOn, priorsBefore, spreadsBefore, type TrueSchool } from './school';

/** How far a true share may lie from what a verdict says before the two contradict each other. */
export const TOLERANCE = 0.15;

/**
 * Verdicts by the default standard that contradict the truth: met though more points than may fall short, or a critical
 * one, truly lie more than the tolerance below what is asked; short for the share of a point whose true share lies more
 * than the tolerance above; or short though every point, watched often enough, is truly as good as asked.
 */
export function contradictions(school: TrueSchool, days: readonly PlainDate[]): { verdicts: number; wrong: number } {
  let verdicts = 0;
  let wrong = 0;
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      for (const asked of askedOf(school, s)) {
        const v = judgeOn(school, { ...asked, standard: STEADY }, evidence, day);
        const truth = (pointId: string, side: Side) => school.truth(s.id, pointId, side, day);
        if (v.word === 'met') {
          verdicts += 1;
          const low = v.points.filter((p) => truth(p.point.id, p.side) < p.share - TOLERANCE);
          const others = new Set(low.filter((p) => !p.point.critical).map((p) => p.point.id));
          if (low.some((p) => p.point.critical) || others.size > v.mayFall) wrong += 1;
        } else if (v.worst?.failing === 'share') {
          verdicts += 1;
          const { point, side, share } = v.worst;
          const above = v.points.every((p) => p.looksToFill === 0 && truth(p.point.id, p.side) >= p.share);
          if ((v.word === 'short' && above) || truth(point.id, side) > Math.min(0.98, share + TOLERANCE)) wrong += 1;
        }
      }
    }
  return { verdicts, wrong };
}

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
      const said = chanceOnTheDay(items, random, HOUSE_RULE, draws);
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

/** Whether everything a belt asks is truly there: every critical point as good as asked, of the others all but those that may fall. */
const trulyThere = (school: TrueSchool, studentId: string, v: Verdict, day: PlainDate): boolean => {
  const low = v.points.filter((p) => school.truth(studentId, p.point.id, p.side, day) < p.share);
  const others = new Set(low.map((p) => p.point.id));
  return low.every((p) => !p.point.critical) && others.size <= v.mayFall;
};

/** The belt's word against an examiner who knows every true share, where everything asked was watched often enough to say. */
export function beltsAgainstTruth(school: TrueSchool, days: readonly PlainDate[]) {
  let [cases, agree, falsely, missed] = [0, 0, 0, 0];
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      const judged = askedOf(school, s).map((r) => judgeOn(school, { ...r, standard: STEADY }, evidence, day));
      if (judged.length === 0 || judged.some((v) => v.points.some((p) => p.looksToFill > 0))) continue;
      const said = judged.every((v) => v.word === 'met');
      const there = judged.every((v) => trulyThere(school, s.id, v, day));
      cases += 1;
      if (said === there) agree += 1;
      else if (said) falsely += 1;
      else missed += 1;
    }
  return { cases, agree, falsely, missed };
}

/** A card drawn from the truth: every point, both sides, five repetitions. */
export function trueCard(
  school: TrueSchool,
  s: DemoStudent,
  r: TrueSchool['requirements'][number],
  day: PlainDate,
  random: Random,
  only?: { pointId: string; side: Side },
): Look[] {
  const t = school.byId.get(techniqueOf(r))!;
  const sides: Side[] = only ? [only.side] : t.sided ? ['left', 'right'] : ['none'];
  return sides.map((side) => ({
    id: `card ${s.id} ${r.id} ${day} ${side} ${random()}`,
    techniqueId: t.id,
    day,
    at: Math.floor(random() * 1e6),
    conditionId: r.conditionId,
    side,
    purpose: null,
    replaces: null,
    marks: school
      .pointsOf(r)
      .filter((p) => !only || p.id === only.pointId)
      .map((p): Mark => {
        const chance = school.truth(s.id, p.id, side, day);
        const held = Array.from({ length: 5 }, () => random() < chance);
        if (p.kind !== 'measured') return { pointId: p.id, kind: p.kind, held: held.filter(Boolean).length, of: 5 };
        const { lo, hi } = p.accepted!;
        const values = held.map((h) => (h ? (lo + hi) / 2 : lo - 1));
        if (values.some((v, i) => isHeld(v, p.accepted!) !== held[i]))
          throw new Error('a drawn measure is not what it was drawn for');
        return { pointId: p.id, kind: 'measured', values };
      }),
  }));
}

/**
 * Looks that it takes until nearly everything a cohort is asked is settled: met, or known to be well below what is asked.
 * A sweep counts as the cards that could be made in its time.
 */
export function looksToSettle(
  school: TrueSchool,
  cohort: readonly DemoStudent[],
  from: PlainDate,
  how: 'worth a look' | 'walking the line',
  seed: number,
  settledShare = 0.9,
): number {
  const random = seeded(seed);
  const prior = priorsBefore(school, from);
  const gradingDay = addDays(from, 70);
  const ranges = rangesFor(
    school.techniques.flatMap((t) => t.points),
    new Map(),
  );
  const looks = new Map(cohort.map((s) => [s.id, school.looksOf.get(s.id)!.filter((l) => l.day < from)]));
  let spent = 0;
  let walk = 0;
  const perEvening = cohort.length;
  for (let evening = 0; evening < 45; evening += 1) {
    const day = addDays(from, evening * 2);
    const known = cohort.map((s) => {
      const evidence = gatherEvidence(looks.get(s.id)!, ranges);
      const g = {
        evidence,
        order: school.order,
        today: day,
        expected: expectedOf(prior, levelOf(prior, evidence, day)),
      };
      return askedOf(school, s).map((r) => {
        const v = judgeOn(school, r, g.evidence, day);
        const belief = (p: Point, side: Side) => beliefOf(r, p.id, side, g);
        const low = v.points.filter((p) => {
          const { a, b } = belief(p.point, p.side);
          return betaCdf(p.share, a, b) > 0.9;
        });
        const below = new Set(low.map((p) => p.point.id)).size > v.mayFall;
        return { s, r, v, belief, settled: v.word === 'met' || below };
      });
    });
    const all = known.flat();
    if (all.filter((x) => x.settled).length >= settledShare * all.length) return spent;
    if (how === 'walking the line') {
      for (let i = 0; i < perEvening; i += 1) {
        const s = cohort[walk % cohort.length]!;
        const asked = askedOf(school, s);
        const r = asked[Math.floor(walk / cohort.length) % asked.length]!;
        looks.get(s.id)!.push(...trueCard(school, s, r, day, random));
        walk += 1;
        spent += 1;
      }
      continue;
    }
    const worths = known.flatMap((list) => {
      const s = list[0]?.s;
      if (!s) return [];
      return lookWorths(
        s.id,
        list
          .filter((x) => !x.settled)
          .map(({ r, v, belief }): LookedFor => ({
            requirementId: r.id,
            itemKey: techniqueOf(r),
            conditionId: r.conditionId,
            freshDays: r.standard.freshDays,
            repetitions: r.standard.repetitions,
            days: r.standard.days,
            verdict: v,
            belief,
          })),
        day,
        gradingDay,
      );
    });
    const offered = nextLooks(worths, { present: cohort.map((s) => s.id), order: school.order }, perEvening);
    if (offered.length === 0) return spent;
    let left = perEvening;
    for (const o of offered) {
      const cost = o.kind === 'card' ? 1 : 3;
      if (cost > left) continue;
      left -= cost;
      spent += cost;
      for (const id of o.kind === 'card' ? o.studentIds : cohort.map((s) => s.id)) {
        const s = cohort.find((x) => x.id === id)!;
        const r = askedOf(school, s).find((x) => techniqueOf(x) === o.itemKey && x.conditionId === o.conditionId);
        if (!r) continue;
        const only = o.kind === 'sweep' ? { pointId: o.pointId!, side: o.side! } : undefined;
        looks.get(id)!.push(...trueCard(school, s, r, day, random, only));
      }
    }
  }
  return spent;
}

/** The first day on which everything a student is asked was met, looking at the record as it went on; null: not by then. */
function metOn(school: TrueSchool, s: DemoStudent, from: PlainDate, until: PlainDate): PlainDate | null {
  const ranges = rangesFor(
    school.techniques.flatMap((t) => t.points),
    new Map(),
  );
  const mine = school.looksOf.get(s.id)!;
  const asked = askedOf(school, s, from);
  const days = [from, ...new Set(mine.filter((l) => l.day >= from && l.day < until).map((l) => l.day))].sort();
  for (const day of days) {
    const evidence = gatherEvidence(
      mine.filter((l) => l.day <= day),
      ranges,
    );
    if (asked.every((r) => judgeOn(school, r, evidence, day).word === 'met')) return day;
  }
  return null;
}

/**
 * Forecast ranges against what happened afterwards in the record: how many of the 80 % ranges hold the day. What a student
 * worked on that day is asked, and followed until another belt was worn.
 */
export function rangesThatHold(school: TrueSchool, from: PlainDate, until: PlainDate, runs: number) {
  const prior = priorsBefore(school, from);
  const habits = habitsBefore(school, from);
  const spreads = spreadsBefore(school, prior, habits.slope, from);
  let spoken = 0;
  let inside = 0;
  let early = 0;
  let late = 0;
  let silent = 0;
  // Those who truly get there within the two years that a forecast looks ahead, and how many of them are told a range.
  let there = 0;
  let told = 0;
  for (const s of school.students) {
    const asked = askedOf(school, s, from);
    if (asked.length === 0) continue;
    const next = s.held.find((h) => h.since > from)?.since;
    const end = next && next < until ? next : until;
    const evidence = evidenceBefore(school, s.id, from);
    const drift = spreads.growth * driftOf(habits.slope, school.attendedBy.get(s.id)!, from);
    const level = levelOf(prior, evidence, from, drift, spreads);
    const g = { evidence, order: school.order, today: from, expected: expectedOf(prior, level, spreads), drift };
    const list = asked.map((requirement) => ({
      requirement,
      name: requirement.id,
      verdict: judgeOn(school, requirement, g.evidence, from),
      settled: false,
    }));
    if (list.every((x) => x.verdict.word === 'met')) continue;
    const input = forecastInput(list, g, {
      attended: school.attendedBy.get(s.id)!.filter((d) => d < dayNumber(from)),
      trainedSince: s.held[0]!.since,
      habits,
      growth: spreads.growth,
      gates: [],
      gradingDay: null,
    });
    const f = forecast(input, seeded(seedOf(s.id)), runs);
    const reached = metOn(school, s, from, end);
    if (reached !== null) {
      there += 1;
      if (f.silent === null) told += 1;
    }
    if (f.silent !== null) {
      silent += 1;
      continue;
    }
    const day = reached;
    // What is still open at the end of the record says nothing where the range goes on beyond it.
    if (day === null && f.to! >= end) continue;
    spoken += 1;
    if (day === null || day > f.to!) late += 1;
    else if (day < f.from!) early += 1;
    else inside += 1;
  }
  return { spoken, inside, early, late, silent, there, told };
}

/** The rule of the focus, checked in a second way on every student: how many were chosen, and how many keep it. */
export function focusKept(school: TrueSchool, days: readonly PlainDate[]) {
  let chosen = 0;
  let kept = 0;
  for (const day of days)
    for (const s of school.students) {
      const evidence = evidenceBefore(school, s.id, day);
      const sources = askedOf(school, s).map((r): FocusSource => ({
        requirementId: r.id,
        open: true,
        repetitions: r.standard.repetitions,
        days: r.standard.days,
        verdict: judgeOn(school, r, evidence, day),
      }));
      const focus = chooseFocus(slippingPoints(sources, evidence), null);
      // By hand: everything that does not stand and held less than asked, and the first of it by the rule.
      const all = sources.flatMap((x) =>
        x.verdict.points
          .filter((p) => p.looksNeeded > 0 && p.window.held < p.share * p.window.of - 1e-9)
          .map((p) => ({ p, id: x.requirementId })),
      );
      if (all.length === 0) {
        if (focus === null) continue;
        chosen += 1;
        continue;
      }
      chosen += 1;
      if (!focus) continue;
      const hurting = all.filter((x) => canHurt(x.p.point));
      const first = hurting.length > 0 ? hurting : all;
      const lowest = Math.min(...first.map((x) => BODY_PARTS.indexOf(x.p.point.bodyPart)));
      const low = first.filter((x) => BODY_PARTS.indexOf(x.p.point.bodyPart) === lowest);
      const shared = (x: (typeof low)[number]) =>
        new Set(all.filter((y) => y.p.point.id === x.p.point.id && y.p.side === x.p.side).map((y) => y.id)).size;
      const most = Math.max(...low.map(shared));
      const slips = (x: (typeof low)[number]) =>
        entriesOn(evidence, x.p.point.id, x.p.side)
          .slice(0, 5)
          .filter((e) => e.held < e.of).length;
      const sharedMost = low.filter((x) => shared(x) === most);
      const persistent = Math.max(...sharedMost.map(slips));
      const best = sharedMost
        .filter((x) => slips(x) === persistent)
        .map((x) => `${x.p.point.name} ${x.p.side}`)
        .sort()[0];
      if (best === `${focus.point.name} ${focus.side}`) kept += 1;
    }
  return { chosen, kept };
}
