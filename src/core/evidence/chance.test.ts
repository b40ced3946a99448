import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../units/plainDate';
import { seeded } from '../units/random';
import { chanceInWords } from '../words/english/chance';
import { itemBelief, poolPriors, priorOf } from './believe';
import { context, look, order, point, requirement, TODAY } from './builders';
import { chanceOfItem, chanceOnTheDay, HOUSE_RULE, type ItemBelief } from './chance';
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
  it('weighs a repetition half after sixty days', () => {
    expect(posteriorOf([entry(0, 4, 5)], JEFFREYS, asked, today)).toMatchObject({ a: 4.5, b: 1.5, looks: 1 });
    expect(posteriorOf([entry(60, 4, 5)], JEFFREYS, asked, today)).toMatchObject({ a: 2.5, b: 1, looks: 0.5 });
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
    expect(posteriorOf([byCounts], JEFFREYS, joined, today)).toMatchObject({ a: 0.5, looks: 0 });
    expect(posteriorOf([byCounts, entry(0, 5, 5)], JEFFREYS, joined, today)).toMatchObject({ a: 5.5, looks: 1 });
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
    const good = gatherEvidence([look('2026-03-01', 'left', { heel: [40, 40] })], new Map());
    const bad = gatherEvidence([look('2026-03-01', 'left', { heel: [4, 40] })], new Map());
    const mean = (p: { a: number; b: number }) => p.a / (p.a + p.b);
    expect(mean(priorOf(pool, good, TODAY)('fist'))).toBeGreaterThan(0.8);
    expect(mean(priorOf(pool, bad, TODAY)('fist'))).toBeLessThan(0.4);
    expect(mean(priorOf(pool, new Map(), TODAY)('fist'))).toBeCloseTo(0.6, 6);
    expect(priorOf(pool, good, TODAY)('never seen')).toEqual(JEFFREYS);
  });

  it('law: more looks of the same share narrow it', () => {
    const spread = ({ a, b }: { a: number; b: number }) => (a * b) / ((a + b) ** 2 * (a + b + 1));
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 1, max: 8 }), (held, n) => {
        const many = (k: number) =>
          posteriorOf(
            Array.from({ length: k }, () => entry(3, held, 5)),
            JEFFREYS,
            asked,
            today,
          );
        expect(spread(many(n + 1))).toBeLessThan(spread(many(n)));
        expect(many(n + 1).looks).toBeGreaterThan(many(n).looks);
      }),
    );
  });
});

const sure = (p: number) => ({ a: p * 1e7, b: (1 - p) * 1e7, looks: 20 });
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
    sides: [{ side: 'none', belief: sure(p) }],
  })),
});
const STRICT = { ...HOUSE_RULE, mayFallShort: 0, itemsMayFail: 0 };

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
    expect(chanceOfItem(item('a', four), HOUSE_RULE).chance).toBeCloseTo(p ** 4 + 4 * p ** 3 * (1 - p), 4);
  });

  it('the whole belt: what is drawn agrees with what is exact', () => {
    const items = [item('a', [0.8]), item('b', [0.7]), item('c', [0.9], { critical: true })];
    const p = items.map((i) => chanceOfItem(i, HOUSE_RULE).chance);
    // The critical one passes, and at most one of the two others fails.
    const exact = p[2]! * (1 - (1 - p[0]!) * (1 - p[1]!));
    const said = chanceOnTheDay(items, seeded(1), HOUSE_RULE, 300);
    expect(said.chance).toBeCloseTo(exact, 2);
    expect(said.lo).toBeLessThanOrEqual(said.chance + 1e-9);
    expect(said.hi).toBeGreaterThanOrEqual(said.chance - 1e-9);
  });

  it('is the same for the same seed, and a range for who is hardly known', () => {
    const vague: ItemBelief = {
      id: 'v',
      critical: true,
      points: [{ id: 'x', critical: false, sides: [{ side: 'none', belief: { a: 2, b: 1, looks: 1 } }] }],
    };
    const a = chanceOnTheDay([vague], seeded(7));
    expect(a).toEqual(chanceOnTheDay([vague], seeded(7)));
    expect(a.hi - a.lo).toBeGreaterThan(0.4);
    expect(a.chance).toBeCloseTo(chanceOfItem(vague).chance, 1);
  });

  it('reads a requirement’s own points and sides', () => {
    const heel = point('heel');
    const looks = [look('2026-03-01', 'left', { heel: [5, 5] })];
    const r = requirement();
    const g = { evidence: gatherEvidence(looks, new Map()), order, today: TODAY, prior: () => JEFFREYS };
    const belief = itemBelief(r, verdict(r, looks, context([heel])), g);
    expect(belief.points[0]!.sides.map((s) => [s.side, s.belief.looks > 0.9])).toEqual([
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
