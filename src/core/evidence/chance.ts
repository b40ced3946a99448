import { beltLaths, USUAL_RULE, type GradingRule } from '../grading/rule';
import type { Random } from '../units/random';
import type { Side } from '../units/side';
import { atLeastOf, binomialAtLeast, drawNormal } from './beta';
import { shareAt } from './growth';
import { NORMAL_NODES, type Posterior } from './posterior';
import type { VerdictWord } from './verdict';

/** One item of the belt as far as chance goes: its points, each with a belief for every side that is asked. */
export interface ItemBelief {
  id: string;
  /** Failing it fails the belt. */
  critical: boolean;
  points: readonly { id: string; critical: boolean; sides: readonly { side: Side; belief: Posterior }[] }[];
}

export interface ItemChance {
  id: string;
  chance: number;
  /** Looks behind it. */
  looks: number;
}

export interface BeltChance {
  chance: number;
  /** Where it lies with eight in ten, as far as the looks say. */
  lo: number;
  hi: number;
  looks: number;
  items: readonly ItemChance[];
}

/** Below so many looks' worth of weight no chance is shown. */
export const LOOKS_TO_SPEAK = 5;
/** Nor before so much of what the belt asks was watched as it is asked: till then what comes next is what can be said. */
export const WATCHED_TO_SPEAK = 0.5;

/** The share of what is asked that was watched at all as it is asked. */
export const watchedShare = (words: readonly VerdictWord[]): number =>
  words.length === 0 ? 0 : words.filter((w) => w !== 'unseen').length / words.length;

const need = (share: number, rule: GradingRule) => Math.ceil(share * rule.repetitions - 1e-9);

const allowed = (others: number, rule: GradingRule) => Math.floor(rule.mayFallShort * others + 1e-9);

/** The chance that an item passes when each point stands with its own chance: all critical ones, and enough others. */
function itemPasses(points: readonly { critical: boolean; stands: number }[], rule: GradingRule): number {
  let critical = 1;
  const others: number[] = [];
  for (const p of points)
    if (p.critical) critical *= p.stands;
    else others.push(p.stands);
  return critical * atLeastOf(others.length - allowed(others.length, rule), others);
}

/** Looks behind an item: those of its best-known point, all sides together. */
const looksBehind = (item: ItemBelief): number =>
  item.points.reduce(
    (most, p) =>
      Math.max(
        most,
        p.sides.reduce((s, x) => s + x.belief.looks, 0),
      ),
    0,
  );

/** The chance that a point stands when the student's level and the day's form are `z` of theirs away from what is believed. */
function standsAt(needed: number, rule: GradingRule, { x, sd, pull, levelSd, formSd }: Posterior, z: number): number {
  const middle = x + z * Math.hypot(pull * levelSd, formSd);
  let chance = 0;
  for (const [own, w] of NORMAL_NODES)
    chance += w * binomialAtLeast(needed, rule.repetitions, shareAt(middle + sd * own));
  return chance;
}

/**
 * The chance that one item stands on the day, seen by one examiner without error: given the student's level and the day's form its points are taken as
 * independent. An item without points stands.
 */
export function chanceOfItem(item: ItemBelief, rule: GradingRule = USUAL_RULE): ItemChance {
  let chance = 0;
  for (const [z, w] of NORMAL_NODES)
    chance +=
      w *
      itemPasses(
        item.points.map((p) => ({
          critical: p.critical,
          stands: p.sides.reduce(
            (all, { belief }) =>
              all * standsAt(need(p.critical ? rule.criticalStands : rule.stands, rule), rule, belief, z),
            1,
          ),
        })),
        rule,
      );
  return { id: item.id, chance: Math.min(1, chance), looks: looksBehind(item) };
}

/** The chance that so few items are short, and of them not yet, as one of the laths allows. */
function fits(
  items: readonly { stands: number; nearly: number }[],
  laths: readonly { short: number; notYet: number }[],
): number {
  const most = Math.max(-1, ...laths.map((l) => l.short));
  if (most < 0) return 0;
  // By how many are short, and of them not yet; more than any lath allows is let go.
  const width = most + 1;
  let now = new Float64Array(width * width);
  now[0] = 1;
  for (const { stands, nearly } of items) {
    const notYet = Math.max(0, 1 - stands - nearly);
    const next = new Float64Array(width * width);
    for (let short = 0; short < width; short += 1)
      for (let n = 0; n <= short; n += 1) {
        const p = now[short * width + n]!;
        if (p === 0) continue;
        next[short * width + n]! += p * stands;
        if (short + 1 < width) {
          next[(short + 1) * width + n]! += p * nearly;
          next[(short + 1) * width + n + 1]! += p * notYet;
        }
      }
    now = next;
  }
  let sum = 0;
  for (let short = 0; short < width; short += 1)
    for (let n = 0; n <= short; n += 1)
      if (laths.some((l) => short <= l.short && n <= l.notYet)) sum += now[short * width + n]!;
  return sum;
}

/**
 * The chance that the whole belt passes on the day. The student's level, the day's form and each point's share are drawn
 * from what is believed, the same for every item in which a point occurs; given them everything is exact. `draws` of 2,000
 * are steady to about one in a hundred. A belt is given where every critical item stands and so few others are short, and of them
 * not yet, as one of the rule's laths that give it allows.
 */
export function chanceOnTheDay(
  items: readonly ItemBelief[],
  random: Random,
  rule: GradingRule = USUAL_RULE,
  draws = 2000,
): BeltChance {
  const each = items.map((item) => chanceOfItem(item, rule));
  const looks = each.reduce((s, x) => s + x.looks, 0);
  if (items.length === 0) return { chance: 1, lo: 1, hi: 1, looks, items: each };
  // One share for each point and side; where conditions differ the beliefs do too, and they are drawn apart.
  const beliefs: Posterior[] = [];
  const place = new Map<string, number>();
  const plan = items.map((item) => ({
    critical: item.critical,
    points: item.points.map((p) => ({
      critical: p.critical,
      needed: need(p.critical ? rule.criticalStands : rule.stands, rule),
      nearly: need(rule.nearly, rule),
      at: p.sides.map(({ side, belief }) => {
        const key = `${p.id} ${side} ${belief.x} ${belief.sd}`;
        let i = place.get(key);
        if (i === undefined) {
          place.set(key, (i = beliefs.length));
          beliefs.push(belief);
        }
        return i;
      }),
    })),
  }));
  const laths = beltLaths(rule);
  const tells = laths.some((l) => l.notYet < l.short);
  const shares = new Float64Array(beliefs.length);
  const results = new Float64Array(draws);
  for (let d = 0; d < draws; d += 1) {
    const level = drawNormal(random);
    const form = drawNormal(random);
    for (let i = 0; i < beliefs.length; i += 1) {
      const { x, sd, pull, levelSd, formSd } = beliefs[i]!;
      shares[i] = shareAt(x + pull * levelSd * level + formSd * form + sd * drawNormal(random));
    }
    let critical = 1;
    const others: { stands: number; nearly: number }[] = [];
    for (const item of plan) {
      const pass = (by: 'needed' | 'nearly') =>
        itemPasses(
          item.points.map((p) => ({
            critical: p.critical,
            stands: p.at.reduce((all, i) => all * binomialAtLeast(p[by], rule.repetitions, shares[i]!), 1),
          })),
          rule,
        );
      const stands = pass('needed');
      if (item.critical) critical *= stands;
      // Whether it is not yet only matters where a lath asks for it.
      else others.push({ stands, nearly: tells ? Math.max(0, pass('nearly') - stands) : 1 - stands });
    }
    results[d] = critical * fits(others, laths);
  }
  const sorted = results.toSorted();
  const at = (q: number) => sorted[Math.min(draws - 1, Math.floor(q * draws))]!;
  let sum = 0;
  for (const r of results) sum += r;
  return { chance: sum / draws, lo: at(0.1), hi: at(0.9), looks, items: each };
}
