import type { ConditionId, ConditionOrder } from '../units/condition';
import type { Entry } from './looks';
import { stageCounts, type Asked } from './window';

/** How sure one may be of a share: Beta(a, b), and how many looks stand behind it. */
export interface Posterior {
  a: number;
  b: number;
  /** Looks, each weighing what it still says today. */
  looks: number;
}

/** What is believed of a point before anybody was watched (Jeffreys). */
export const JEFFREYS = { a: 0.5, b: 0.5 } as const;
/** A repetition says half as much after so many days. */
export const HALF_LIFE = 60;
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
const DRIFT_DAYS = 120;

/** A share of then as it would be today: moved on the logit scale, with half a repetition to either side. */
function broughtForward(share: number, of: number, by: number): number {
  const odds = (share * of + 0.5) / (of - share * of + 0.5);
  const then = odds / (1 + odds);
  const now = 1 / (1 + Math.exp(-by) / odds);
  return Math.min(1, Math.max(0, share + now - then));
}

/**
 * What the marks of one point on one side say today, for the condition and purpose asked. `today` is a day number. With
 * `drift`, the growth of the logit in a day as the school's people show it, older repetitions are read as what they would
 * be today.
 */
export function posteriorOf(
  entries: readonly Entry[],
  prior: { a: number; b: number },
  asked: Asked,
  today: number,
  drift = 0,
): Posterior {
  const weights = conditionWeights(asked.order, asked.conditionId);
  let { a, b } = prior;
  let looks = 0;
  for (const e of entries) {
    if (asked.purpose !== null && e.purpose !== asked.purpose) continue;
    if (!stageCounts(asked.stage, e.stage)) continue;
    const by = weights.get(e.conditionId);
    if (by === undefined) continue;
    const age = Math.max(0, today - e.day);
    const w = by * 2 ** (-age / HALF_LIFE);
    const held = drift === 0 ? e.held : e.of * broughtForward(e.held / e.of, e.of, drift * Math.min(age, DRIFT_DAYS));
    a += w * held;
    b += w * (e.of - held);
    looks += w;
  }
  return { a, b, looks };
}
