import { dayNumber, type PlainDate } from '../units/plainDate';
import { SIDES, type Side } from '../units/side';
import { logit } from './growth';
import type { Evidence } from './looks';
import { JEFFREYS, likeliest, noLooks, weigh, type Expected, type Weighed } from './posterior';

/** How far a student stands above or below the school over all points together, on the logit scale. */
export interface Level {
  mean: number;
  sd: number;
}

/** How far things lie apart in a school, as standard deviations on the logit scale. */
export interface Spreads {
  /** The levels of its students. */
  level: number;
  /** The points of one student, beyond what the school finds hard in each. */
  point: number;
  /** All of a student's points together from one day to another. */
  form: number;
  /** How many times faster people grow than their series by themselves say: these are too short to be sure of it. */
  growth: number;
  /** What is usual over all of the school's points, and how far they lie apart; null: nothing is known of them. */
  usual: { mean: number; sd: number } | null;
  /** How far each side lies off the other on the whole: a mean, no deviation. */
  sides: Readonly<Record<Side, number>>;
}

/** Until a school's own looks say more; from memory. */
export const FIRST_SPREADS: Spreads = {
  level: 1.4,
  point: 0.6,
  form: 0.25,
  growth: 1,
  usual: null,
  sides: { left: 0, right: 0, none: 0 },
};
/** What is believed of a point where nothing is known of any. */
const UNKNOWN = { x: 0, sd: 2 };
const OWN_DAYS = 180;

/** What the school's people show at a point. */
export type Pool = (pointId: string) => { a: number; b: number };
const isUnknown = (p: { a: number; b: number }) => p.a === JEFFREYS.a && p.b === JEFFREYS.b;

/** What was seen of one student at one point on one side, beside what is usual in the school there. */
interface Line {
  /** The logit that was found last: the next time it lies near. */
  at: number | undefined;
  side: Side;
  usual: number;
  seen: Weighed;
  /** The day of each look. */
  days: number[];
}

function linesOf(pool: Pool, evidence: Evidence, today: number, drift: number): Line[] {
  const lines: Line[] = [];
  for (const [pointId, sides] of evidence) {
    const prior = pool(pointId);
    if (isUnknown(prior)) continue;
    for (const side of SIDES) {
      const seen = noLooks();
      const days: number[] = [];
      for (const e of sides[side]) {
        if (today - e.day > OWN_DAYS) break;
        weigh(seen, e, Math.max(0, today - e.day), drift);
        days.push(e.day);
      }
      const usual = logit(prior.a / (prior.a + prior.b));
      if (days.length > 0) lines.push({ at: undefined, side, usual, seen, days });
    }
  }
  return lines;
}

/** The same looks, their student having grown so many times faster. */
function grow({ below, odds }: Weighed, times: number): void {
  for (let i = 0; i < below.length; i += 1) {
    below[i]! *= times;
    odds[i] = Math.exp(below[i]!);
  }
}

/** What a line says when its point is expected about `middle`. */
function read(l: Line, middle: number, spreads: Spreads) {
  const found = likeliest(l.seen, middle, spreads.point, l.at);
  l.at = found.likeliest;
  return found;
}

/** The most probable level under normal beliefs, and how sure it is from the curvature there (Laplace). */
function fitLevel(lines: readonly Line[], spreads: Spreads, from = 0): Level {
  let mean = from;
  let curve = 1 / spreads.level ** 2;
  for (let step = 0; step < 12; step += 1) {
    let slope = -mean / spreads.level ** 2;
    curve = 1 / spreads.level ** 2;
    for (const l of lines) {
      const { x, told, tight } = read(l, l.usual + spreads.sides[l.side] + mean, spreads);
      slope += tight * (x - l.usual - spreads.sides[l.side] - mean);
      curve += (tight * told) / (told + tight);
    }
    const by = Math.max(-1.5, Math.min(1.5, slope / curve));
    mean += by;
    if (Math.abs(by) < 1e-3) break;
  }
  return { mean, sd: 1 / Math.sqrt(curve) };
}

/**
 * The level of one student: the shift, common to all points, that makes what was seen of them likeliest when each point
 * may also lie apart from it by itself.
 *
 * @param drift growth of the logit in a day
 */
export const levelOf = (
  pool: Pool,
  evidence: Evidence,
  today: PlainDate,
  drift = 0,
  spreads: Spreads = FIRST_SPREADS,
): Level => fitLevel(linesOf(pool, evidence, dayNumber(today), drift), spreads);

/** What is expected of a student of this level at a point before any look at it. */
export const expectedOf =
  (pool: Pool, level: Level, spreads: Spreads = FIRST_SPREADS) =>
  (pointId: string, side: Side): Expected => {
    const prior = pool(pointId);
    const shared = { levelSd: level.sd, formSd: spreads.form };
    // Fewer than five of the school's people were seen at it: as the others are, with how far they lie apart.
    if (isUnknown(prior))
      return spreads.usual
        ? {
            x: spreads.usual.mean + spreads.sides[side] + level.mean,
            sd: Math.hypot(spreads.point, spreads.usual.sd),
            ...shared,
          }
        : { ...UNKNOWN, ...shared };
    return {
      x: logit(prior.a / (prior.a + prior.b)) + spreads.sides[side] + level.mean,
      sd: spreads.point,
      ...shared,
    };
  };

/** What is usual over the points that were seen: five of them say something. */
function usualOf(people: readonly (readonly Line[])[]): Spreads['usual'] {
  const each = [...new Set(people.flatMap((own) => own.map((l) => l.usual)))];
  if (each.length < 5) return null;
  const mean = each.reduce((n, x) => n + x, 0) / each.length;
  return { mean, sd: Math.sqrt(each.reduce((n, x) => n + (x - mean) ** 2, 0) / each.length) };
}

/** The first belief counts as much as so many students, lines and days of the school's own. */
const FIRST_WEIGHS = { level: 10, point: 100, form: 40, growth: 10 };
const ROUNDS = 10;

/**
 * How far things lie apart in a school, from its own looks: levels and points by expectation and maximisation (what the
 * fits say, and how unsure they are), the day's form by what the repetitions of one day have in common beyond chance.
 */
export function spreadsOf(
  people: readonly { evidence: Evidence; drift: number }[],
  pool: Pool,
  today: PlainDate,
): Spreads {
  const all = people.map((p) => linesOf(pool, p.evidence, dayNumber(today), p.drift));
  const levelAt = new Float64Array(people.length);
  let spreads = FIRST_SPREADS;
  const pooled = (first: number, weight: number, sum: number, n: number) =>
    Math.sqrt((first ** 2 * weight + sum) / (weight + n));
  for (let round = 0; round < ROUNDS; round += 1) {
    let [levels, points, lines, faster, sure] = [0, 0, 0, 0, 0];
    const off = { left: 0, right: 0, none: 0 };
    const n = { left: FIRST_WEIGHS.point, right: FIRST_WEIGHS.point, none: FIRST_WEIGHS.point };
    for (const [i, own] of all.entries()) {
      if (own.length === 0) continue;
      const level = fitLevel(own, spreads, levelAt[i]);
      levelAt[i] = level.mean;
      levels += level.mean ** 2 + level.sd ** 2;
      for (const l of own) {
        const middle = l.usual + spreads.sides[l.side] + level.mean;
        const { x, told, tight } = read(l, middle, spreads);
        // What lies far out is a habit and says little of how the others lie.
        const counts = tight * spreads.point ** 2;
        points += counts * ((x - middle) ** 2 + 1 / (told + tight));
        off[l.side] += counts * (x - middle);
        n[l.side] += 1;
        // How the looks would agree better if all had grown faster, the point itself following.
        let [w, wd, wdd] = [0, 0, 0];
        const against = Math.exp(-x);
        const { held, of, below, odds } = l.seen;
        for (let i = 0; i < of.length; i += 1) {
          const p = 1 / (1 + odds[i]! * against);
          const one = of[i]! * p * (1 - p);
          faster -= (held[i]! - of[i]! * p) * below[i]!;
          w += one;
          wd += one * below[i]!;
          wdd += one * below[i]! * below[i]!;
        }
        faster += (tight * (x - middle) * wd) / (w + tight);
        sure += wdd - (wd * wd) / (w + tight);
      }
      lines += own.length;
    }
    const { growth } = spreads;
    spreads = {
      level: pooled(FIRST_SPREADS.level, FIRST_WEIGHS.level, levels, all.filter((l) => l.length > 0).length),
      point: pooled(FIRST_SPREADS.point, FIRST_WEIGHS.point, points, lines),
      form: FIRST_SPREADS.form,
      usual: usualOf(all),
      growth: Math.min(2, Math.max(0.5, growth * (1 + (sure > 0 ? faster / (sure + FIRST_WEIGHS.growth) : 0)))),
      sides: {
        left: spreads.sides.left + off.left / n.left,
        right: spreads.sides.right + off.right / n.right,
        none: spreads.sides.none + off.none / n.none,
      },
    };
    // Each line keeps where it was found: the next round begins there.
    for (const own of all) for (const l of own) grow(l.seen, spreads.growth / growth);
  }
  // On a day whose form is f away, the sum of what held beyond what was expected is about f times its variance. What two
  // evenings after each other have in common is no form: it is growth that the fit does not follow.
  let [beyond, weight, slow, slowWeight, days] = [0, 0, 0, 0, 0];
  for (const [i, own] of all.entries()) {
    const level = fitLevel(own, spreads, levelAt[i]);
    const byDay = new Map<number, { off: number; variance: number }>();
    for (const l of own) {
      const { x } = read(l, l.usual + spreads.sides[l.side] + level.mean, spreads);
      const against = Math.exp(-x);
      const { held, of, odds, weight: weighs } = l.seen;
      for (const [i, day] of l.days.entries()) {
        const p = 1 / (1 + odds[i]! * against);
        const sum = byDay.get(day) ?? { off: 0, variance: 0 };
        sum.off += (held[i]! - of[i]! * p) / weighs[i]!;
        sum.variance += (of[i]! / weighs[i]!) * p * (1 - p);
        byDay.set(day, sum);
      }
    }
    let before: { off: number; variance: number } | null = null;
    for (const [, now] of [...byDay].sort((a, b) => a[0] - b[0])) {
      beyond += now.off * now.off - now.variance;
      weight += now.variance * now.variance;
      days += 1;
      if (before) {
        slow += now.off * before.off;
        slowWeight += now.variance * before.variance;
      }
      before = now;
    }
  }
  const form = weight > 0 ? Math.max(0, beyond / weight - Math.max(0, slowWeight > 0 ? slow / slowWeight : 0)) : 0;
  return { ...spreads, form: pooled(FIRST_SPREADS.form, FIRST_WEIGHS.form, form * days, days) };
}
