import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../units/plainDate';
import { seeded } from '../units/random';
import { chanceInWords } from '../words/english/chance';
import { itemBelief, poolPriors } from './believe';
import { belief, context, look, NOTHING_EXPECTED, order, point, requirement, TODAY } from './testing/builders';
import { USUAL_RULE, type GradingRule } from '../grading/rule';
import { chanceOfItem, chanceOnTheDay, type ItemBelief } from './chance';
import { shareAt } from './growth';
import { expectedOf, FIRST_SPREADS, levelOf } from './level';
import { gatherEvidence } from './looks';
import { conditionWeights, JEFFREYS, poolPrior, posteriorOf } from './posterior';
import { verdict } from './verdict';

const today = dayNumber(TODAY);
const entry = (ago: number, held: number, of: number, conditionId = 'air') => ({
  day: today - ago,
  at: 0,
  conditionId,
  purpose: null,
  held,
  of,
});
const asked = { conditionId: 'air', purpose: null, order };

describe('what is believed of a point', () => {
  it('weighs a look half after sixty days', () => {
    const one = (ago: number) => posteriorOf([entry(ago, 4, 5)], NOTHING_EXPECTED, asked, today);
    expect([one(0).looks, one(60).looks]).toEqual([1, 0.5]);
    expect(one(60).sd).toBeGreaterThan(one(0).sd);
  });

  it('agrees with summing over all that it could be', () => {
    // The same belief by brute force: Student's t about what is expected, times the chance of what was seen.
    const expected = { x: 1, sd: 0.6, levelSd: 0, formSd: 0 };
    for (const [held, of] of [
      [4, 5],
      [10, 10],
      [12, 20],
      [1, 15],
    ] as const) {
      let [weight, mean] = [0, 0];
      for (let x = -8; x <= 8; x += 0.01) {
        const p = 1 / (1 + Math.exp(-x));
        const w = (1 + ((x - 1) / 0.6) ** 2 / 4) ** -2.5 * p ** held * (1 - p) ** (of - held);
        weight += w;
        mean += w * x;
      }
      const said = posteriorOf([entry(0, held, of)], expected, asked, today);
      expect(Math.abs(shareAt(said.x) - shareAt(mean / weight))).toBeLessThan(0.05);
    }
  });

  it('reads what was seen long ago as made by somebody who has grown since', () => {
    const at = (drift: number) => posteriorOf([entry(50, 12, 20)], NOTHING_EXPECTED, asked, today, drift).x;
    // Half a logit in fifty days, less what was expected beforehand.
    expect(at(0.01) - at(0)).toBeGreaterThan(0.4);
    expect(at(0.01) - at(0)).toBeLessThan(0.5);
  });

  it('counts a harder condition in full, an easier one half a step, an unordered one not at all', () => {
    const w = conditionWeights(order, 'still target');
    expect([w.get('still target'), w.get('moving holder'), w.get('air'), w.get('lying'), w.get('wall')]).toEqual([
      1,
      1,
      0.5,
      0.25,
      undefined,
    ]);
    expect(conditionWeights(order, 'air').get('still target')).toBe(1);
  });

  it('does not count work by counts where it is asked joined', () => {
    const joined = { ...asked, stage: 'joined' as const };
    const byCounts = { ...entry(0, 5, 5), stage: 'by counts' as const };
    expect(posteriorOf([byCounts], NOTHING_EXPECTED, joined, today)).toMatchObject({ x: 0, looks: 0 });
    expect(posteriorOf([byCounts, entry(0, 5, 5)], NOTHING_EXPECTED, joined, today).looks).toBe(1);
  });

  it('begins with what the school shows, never stronger than four repetitions', () => {
    expect(poolPrior([{ held: 4, of: 5 }])).toEqual(JEFFREYS);
    const alike = poolPrior(Array.from({ length: 20 }, () => ({ held: 8, of: 10 })));
    expect(alike.a + alike.b).toBeCloseTo(4, 9);
    expect(alike.a).toBeCloseTo(3.2, 9);
    const apart = poolPrior(Array.from({ length: 20 }, (_, i) => ({ held: i % 2 === 0 ? 10 : 0, of: 10 })));
    expect(apart.a + apart.b).toBeLessThan(1.5);
  });

  it('moves the school’s belief by how the student compares with the school elsewhere', () => {
    const pool = poolPriors(
      ['heel', 'fist', 'eyes'].flatMap((pointId) => Array.from({ length: 6 }, () => ({ pointId, held: 6, of: 10 }))),
    );
    const seen = (held: number) => gatherEvidence([look('2026-03-01', 'left', { heel: [held, 40] })], new Map());
    const fist = (evidence: ReturnType<typeof seen>) =>
      expectedOf(pool, levelOf(pool, evidence, TODAY))('fist', 'left');
    expect(shareAt(fist(seen(40)).x)).toBeGreaterThan(0.8);
    expect(shareAt(fist(seen(4)).x)).toBeLessThan(0.4);
    expect(shareAt(fist(new Map()).x)).toBeCloseTo(0.6, 6);
    // Who was seen often is known better, and no level is known beforehand.
    expect(fist(seen(30)).levelSd).toBeLessThan(fist(new Map()).levelSd);
    expect(fist(new Map()).levelSd).toBeCloseTo(FIRST_SPREADS.level, 6);
    expect(expectedOf(pool, levelOf(pool, seen(40), TODAY))('never seen', 'left')).toMatchObject({ x: 0, sd: 2 });
  });

  it('law: more looks of the same share narrow it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 8 }), (held, n) => {
        const many = (k: number) =>
          posteriorOf(
            Array.from({ length: k }, () => entry(3, held, 5)),
            NOTHING_EXPECTED,
            asked,
            today,
          );
        expect(many(n + 1).sd).toBeLessThan(many(n).sd);
        expect(many(n + 1).looks).toBeGreaterThan(many(n).looks);
      }),
    );
  });
});

const item = (
  id: string,
  ps: readonly number[],
  more: Partial<ItemBelief> & { hard?: readonly number[] } = {},
): ItemBelief => ({
  id,
  critical: more.critical ?? false,
  points: ps.map((p, i) => ({
    id: `${id} ${i}`,
    critical: more.hard?.includes(i) ?? false,
    sides: [{ side: 'none', belief: belief(p) }],
  })),
});
/** Every point of every item has to stand. */
const STRICT: GradingRule = {
  ...USUAL_RULE,
  mayFallShort: 0,
  laths: [{ outcome: 'the belt', short: 0, notYet: 0 }],
};

describe('the chance on the day', () => {
  it('by hand: one point that holds four times in five, three of five asked', () => {
    // 1 − (0.2^5 + 5·0.8·0.2^4 + 10·0.8²·0.2³) = 0.94208
    expect(chanceOfItem(item('a', [0.8]), STRICT).chance).toBeCloseTo(0.94208, 4);
    // A critical point asks four of five: 0.8^5 + 5·0.8^4·0.2 = 0.73728
    expect(chanceOfItem(item('a', [0.8], { hard: [0] }), STRICT).chance).toBeCloseTo(0.73728, 4);
    expect(chanceOfItem(item('a', [0.8, 0.8]), STRICT).chance).toBeCloseTo(0.94208 ** 2, 4);
  });

  it('lets a quarter of the points fall short where the rule does', () => {
    const four = [0.8, 0.8, 0.8, 0.8];
    const p = 0.94208;
    expect(chanceOfItem(item('a', four), USUAL_RULE).chance).toBeCloseTo(p ** 4 + 4 * p ** 3 * (1 - p), 4);
  });

  it('the whole belt: what is drawn agrees with what is exact, lath by lath', () => {
    const items = [item('a', [0.8]), item('b', [0.7]), item('c', [0.9], { critical: true })];
    const p = items.map((i) => chanceOfItem(i, USUAL_RULE).chance);
    // Nearly there is two of five: 1 − (1−p)^5 − 5p(1−p)^4, less what stands. By hand.
    const atLeastTwo = (q: number) => 1 - (1 - q) ** 5 - 5 * q * (1 - q) ** 4;
    const nearly = [atLeastTwo(0.8) - p[0]!, atLeastTwo(0.7) - p[1]!];
    const none = p[0]! * p[1]!;
    const oneNearly = nearly[0]! * p[1]! + p[0]! * nearly[1]!;
    const oneNotYet = (1 - p[0]! - nearly[0]!) * p[1]! + p[0]! * (1 - p[1]! - nearly[1]!);
    const chance = (laths: GradingRule['laths']) => chanceOnTheDay(items, seeded(1), { ...USUAL_RULE, laths }, 300);
    const said = chance(USUAL_RULE.laths);
    expect(said.chance).toBeCloseTo(p[2]! * (none + oneNearly), 2);
    expect(said.lo).toBeLessThanOrEqual(said.chance + 1e-9);
    expect(said.hi).toBeGreaterThanOrEqual(said.chance - 1e-9);
    const belt = (short: number, notYet: number) => chance([{ outcome: 'the belt', short, notYet }]).chance;
    expect(belt(0, 0)).toBeCloseTo(p[2]! * none, 2);
    expect(belt(1, 1)).toBeCloseTo(p[2]! * (none + oneNearly + oneNotYet), 2);
    expect(belt(2, 2)).toBeCloseTo(p[2]!, 2);
    expect(chance([{ outcome: 'part again', short: 2, notYet: 2 }]).chance).toBe(0);
  });

  it('is the same for the same seed, and a range for who is hardly known', () => {
    const vague: ItemBelief = {
      id: 'v',
      critical: true,
      points: [{ id: 'x', critical: false, sides: [{ side: 'none', belief: belief(0.67, 1) }] }],
    };
    const a = chanceOnTheDay([vague], seeded(7));
    expect(a).toEqual(chanceOnTheDay([vague], seeded(7)));
    expect(a.hi - a.lo).toBeGreaterThan(0.4);
    expect(a.chance).toBeCloseTo(chanceOfItem(vague).chance, 1);
  });

  it('what moves all points together makes passing everything likelier, and failing everything too', () => {
    const shares = [0.75, 0.75, 0.75, 0.75, 0.75];
    const of = (more: object, sd = 0.05): ItemBelief => ({
      ...item('a', shares),
      points: shares.map((p, i) => ({
        id: `${i}`,
        critical: false,
        sides: [{ side: 'none', belief: belief(p, sd, more) }],
      })),
    });
    // As unsure of every point, but of each by itself.
    const alone = chanceOfItem(of({}, Math.hypot(0.05, 0.8)), STRICT).chance;
    const together = chanceOfItem(of({ pull: 1, levelSd: 0.8 }), STRICT).chance;
    const byForm = chanceOfItem(of({ formSd: 0.8 }), STRICT).chance;
    expect(together).toBeGreaterThan(alone);
    expect(byForm).toBeCloseTo(together, 6);
    // Drawn, it is the same.
    const drawn = chanceOnTheDay([of({ pull: 1, levelSd: 0.8 })], seeded(3), STRICT, 4000);
    expect(drawn.chance).toBeCloseTo(together, 1);
  });

  it('reads a requirement’s own points and sides', () => {
    const heel = point('heel');
    const looks = [look('2026-03-01', 'left', { heel: [5, 5] })];
    const r = requirement();
    const g = { evidence: gatherEvidence(looks, new Map()), order, today: TODAY, expected: () => NOTHING_EXPECTED };
    const read = itemBelief(r, verdict(r, looks, context([heel])), g);
    expect(read.points[0]!.sides.map((s) => [s.side, s.belief.looks > 0.9])).toEqual([
      ['left', true],
      ['right', false],
    ]);
  });

  it('is said in tenths', () => {
    expect([0.01, 0.34, 0.68, 0.97].map(chanceInWords)).toEqual([
      'under 1 in 10',
      'about 3 in 10',
      'about 7 in 10',
      'better than 9 in 10',
    ]);
  });
});
