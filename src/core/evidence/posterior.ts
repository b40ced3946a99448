import type { ConditionId, ConditionOrder } from '../units/condition';
import type { Entry } from './looks';
import { stageCounts, type Asked } from './window';

/**
 * How sure one may be of a share today, on the logit scale: normal about `x`. What moves a whole student moves every point
 * of theirs together; `sd` is what is uncertain of this point alone.
 */
export interface Posterior {
  x: number;
  sd: number;
  /** How much of a shift of the student's level this point follows: all of it where nothing was seen, none where all is known. */
  pull: number;
  /** How sure one is of the student's level, as a standard deviation. */
  levelSd: number;
  /** How much the form of a day moves all of a student's points together. */
  formSd: number;
  /** The same without regard to other points, as Beta(a, b). */
  a: number;
  b: number;
  /** Looks, each weighing what it still says today. */
  looks: number;
}

/** What is believed of a point of one student before any look at it: normal about `x` on the logit scale. */
export interface Expected {
  x: number;
  sd: number;
  levelSd: number;
  formSd: number;
}

/** What is believed of a point before anybody was watched (Jeffreys). */
export const JEFFREYS = { a: 0.5, b: 0.5 } as const;
/** A repetition says half as much after so many days. */
export const HALF_LIFE = 60;
/** What was seen so many days ago says a thousandth of what it said: nothing any more. */
const FADED = 10 * HALF_LIFE;
const STRONGEST_PRIOR = 4;

/**
 * What the school's own people show at a point, as a belief about the next one: by moments, never stronger than four
 * repetitions. Fewer than five people say nothing yet.
 */
export function poolPrior(people: readonly { held: number; of: number }[]): { a: number; b: number } {
  const seen = people.filter((p) => p.of > 0);
  if (seen.length < 5) return JEFFREYS;
  const held = seen.reduce((s, p) => s + p.held, 0);
  const of = seen.reduce((s, p) => s + p.of, 0);
  const mean = Math.min(0.98, Math.max(0.02, held / of));
  const spread = seen.reduce((s, p) => s + p.of * (p.held / p.of - mean) ** 2, 0) / of;
  // What is left after the spread that counting alone would give.
  const between = spread - (mean * (1 - mean) * seen.length) / of;
  const strength = between <= 0 ? STRONGEST_PRIOR : (mean * (1 - mean)) / between - 1;
  const n = Math.min(STRONGEST_PRIOR, Math.max(0.5, strength));
  return { a: mean * n, b: (1 - mean) * n };
}

const weightsOf = new WeakMap<ConditionOrder, Map<ConditionId, ReadonlyMap<ConditionId, number>>>();

/**
 * What a repetition at each condition is worth for the one asked: in full there and above, half for each step below,
 * nothing where the school's order says nothing.
 */
export function conditionWeights(order: ConditionOrder, asked: ConditionId): ReadonlyMap<ConditionId, number> {
  let known = weightsOf.get(order);
  if (!known) weightsOf.set(order, (known = new Map<ConditionId, ReadonlyMap<ConditionId, number>>()));
  const found = known.get(asked);
  if (found) return found;
  const weights = new Map<ConditionId, number>();
  for (const above of order.get(asked) ?? [asked]) weights.set(above, 1);
  // Steps down: a condition is one step below those that stand directly above it.
  let front = [asked];
  for (let weight = 0.5; front.length > 0; weight /= 2) {
    const next: ConditionId[] = [];
    for (const c of front)
      for (const [below, up] of order) {
        if (below === c || weights.has(below) || !up.has(c)) continue;
        const between = [...up].some((x) => x !== below && x !== c && order.get(x)?.has(c) === true);
        if (between) continue;
        weights.set(below, weight);
        next.push(below);
      }
    front = next;
  }
  known.set(asked, weights);
  return weights;
}

/** Growth is read into older repetitions for so many days and no more. */
const DRIFT_DAYS = 240;

/**
 * Looks at a point as they weigh today, one beside the other in columns: the fit goes over them a million times. `of`
 * repetitions, `held` of them, made when the logit was `below` what it is now.
 */
export interface Weighed {
  held: number[];
  of: number[];
  below: number[];
  /** The odds of that, e to the power of `below`: a step of the fit takes one power for all looks together. */
  odds: number[];
  /** What one repetition of each weighs. */
  weight: number[];
}

export const noLooks = (): Weighed => ({ held: [], of: [], below: [], odds: [], weight: [] });

/** Adds a look made so many days ago, its student having grown by `drift` a day. `by` is what its condition is worth. */
export function weigh(seen: Weighed, e: Pick<Entry, 'held' | 'of'>, age: number, drift: number, by = 1): void {
  const w = by * 2 ** (-age / HALF_LIFE);
  const below = drift * Math.min(age, DRIFT_DAYS);
  seen.held.push(w * e.held);
  seen.of.push(w * e.of);
  seen.below.push(below);
  seen.odds.push(Math.exp(below));
  seen.weight.push(w);
}

/**
 * How far out a point may lie: most lie near their student's level, a few are habits far below it. The fewer, the heavier
 * the tails (degrees of freedom of Student's t).
 */
const TAILS = 4;

/**
 * The logit that one may expect today, how much the looks alone tell there, and how tightly what was expected still holds
 * it: what lies far from it is let go. The likeliest value by Newton's steps, moved by the slope of the curvature there,
 * since what always holds can be better than it shows and hardly worse.
 */
export function likeliest(
  seen: Weighed,
  x0: number,
  sd: number,
  /** Where to begin: near the answer it is found in a step or two. */
  from = x0,
): { x: number; told: number; tight: number; likeliest: number } {
  const { held, of, odds } = seen;
  const wide = sd ** 2;
  let tight = 1 / wide;
  let x = from;
  let told = 0;
  for (let step = 0; step < 40; step += 1) {
    let slope = (x0 - x) * tight;
    told = 0;
    const against = Math.exp(-x);
    for (let i = 0; i < of.length; i += 1) {
      const p = 1 / (1 + odds[i]! * against);
      slope += held[i]! - of[i]! * p;
      told += of[i]! * p * (1 - p);
    }
    const by = Math.max(-1.5, Math.min(1.5, slope / (told + tight)));
    x += by;
    const before = tight;
    tight = (TAILS + 1) / (TAILS * wide + (x - x0) ** 2 + 1 / (told + tight));
    if (Math.abs(by) < 1e-4 && Math.abs(tight - before) < 1e-3 * before) break;
  }
  const spread = 1 / (told + tight);
  let skew = 0;
  const against = Math.exp(-x);
  for (let i = 0; i < of.length; i += 1) {
    const p = 1 / (1 + odds[i]! * against);
    skew += of[i]! * p * (1 - p) * (2 * p - 1);
  }
  return { x: x + Math.max(-sd, Math.min(sd, 0.5 * spread * spread * skew)), told, tight, likeliest: x };
}

/** Nodes and weights of a normal over which something smooth is averaged (Gauss and Hermite, nine points). */
export const NORMAL_NODES: readonly (readonly [number, number])[] = [
  [-4.512745863399783, 2.234584400774658e-5],
  [-3.20542900285647, 0.002789141321231769],
  [-2.0768479786778302, 0.04991640676521787],
  [-1.0232556637891326, 0.2440975028949394],
  [0, 0.4063492063492063],
  [1.0232556637891326, 0.2440975028949394],
  [2.0768479786778302, 0.04991640676521787],
  [3.20542900285647, 0.002789141321231769],
  [4.512745863399783, 2.234584400774658e-5],
];

/** The Beta with the mean and the spread of a share whose logit is normal. */
export function betaLike(x: number, sd: number): { a: number; b: number } {
  let mean = 0;
  let square = 0;
  for (const [z, w] of NORMAL_NODES) {
    const p = 1 / (1 + Math.exp(-(x + sd * z)));
    mean += w * p;
    square += w * p * p;
  }
  const spread = Math.max(1e-12, square - mean * mean);
  const strength = Math.max(0.05, (mean * (1 - mean)) / spread - 1);
  return { a: mean * strength, b: (1 - mean) * strength };
}

/** What is believed of a point, from how sure it is by itself and with its student. */
export const believed = (b: Omit<Posterior, 'a' | 'b'>): Posterior => ({
  ...b,
  ...betaLike(b.x, Math.hypot(b.sd, b.pull * b.levelSd)),
});

/**
 * What the marks of one point on one side say today, for the condition and purpose asked. `today` is a day number. With
 * `drift`, the growth of the logit in a day as the school's people show it, older repetitions are read as made by somebody
 * who stood so much lower.
 */
export function posteriorOf(
  entries: readonly Entry[],
  expected: Expected,
  asked: Asked,
  today: number,
  drift = 0,
): Posterior {
  const weights = conditionWeights(asked.order, asked.conditionId);
  const seen = noLooks();
  let looks = 0;
  for (const e of entries) {
    if (asked.purpose !== null && e.purpose !== asked.purpose) continue;
    if (!stageCounts(asked.stage, e.stage)) continue;
    const by = weights.get(e.conditionId);
    if (by === undefined) continue;
    const age = Math.max(0, today - e.day);
    if (age > FADED) break;
    weigh(seen, e, age, drift, by);
    looks += by * 2 ** (-age / HALF_LIFE);
  }
  const { x, told, tight } = likeliest(seen, expected.x, expected.sd);
  const { levelSd, formSd } = expected;
  return believed({ x, sd: 1 / Math.sqrt(told + tight), pull: tight / (told + tight), levelSd, formSd, looks });
}
