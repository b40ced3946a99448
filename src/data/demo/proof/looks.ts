// How soon “worth a look” settles what a cohort is asked.
import {
  addDays,
  beliefOf,
  betaCdf,
  gatherEvidence,
  isHeld,
  lookWorths,
  nextLooks,
  expectedOf,
  levelOf,
  rangesFor,
  seeded,
  type Look,
  type LookedFor,
  type Mark,
  type PlainDate,
  type Point,
  type Random,
  type Side,
} from '../../../core';
import { techniqueOf, type DemoStudent } from '../generate';
import { askedOf, judgeOn, priorsBefore, type TrueSchool } from './school';

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
    const offered = nextLooks(worths, { present: cohort.map((s) => s.id), orderOf: () => school.order }, perEvening);
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
