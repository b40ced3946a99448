import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays } from '../units/plainDate';
import { otherSide, type Side } from '../units/side';
import { context, order, point, requirement, TODAY } from './testing/builders';
import type { Look } from './looks';
import { verdict, type Verdict } from './verdict';

const POINTS = [
  point('heel'),
  point('knee', { bodyPart: 'knees' }),
  point('fist', { bodyPart: 'hand', critical: true }),
];
const CONDITIONS = ['lying', 'air', 'wall', 'still target', 'moving holder'];

const aMark = (pointId: string) =>
  fc
    .tuple(fc.integer({ min: 1, max: 12 }), fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([of, share]) => ({ pointId, kind: 'seen' as const, held: Math.round(share * of), of }));

const aLook = fc
  .record({
    id: fc.uuid(),
    ago: fc.integer({ min: 0, max: 90 }),
    at: fc.integer({ min: 0, max: 1_000 }),
    conditionId: fc.constantFrom(...CONDITIONS),
    side: fc.constantFrom<Side>('left', 'right'),
    marks: fc.tuple(...POINTS.map((p) => fc.option(aMark(p.id)))),
  })
  .map(({ ago, marks, ...rest }): Look => ({
    ...rest,
    techniqueId: 't',
    day: addDays(TODAY, -ago),
    purpose: null,
    replaces: null,
    marks: marks.filter((m) => m !== null),
  }));
const someLooks = fc.uniqueArray(aLook, { maxLength: 14, selector: (l) => l.id });
const aStandard = fc.record({
  share: fc.constantFrom(0.5, 0.6, 0.8, 1),
  criticalShare: fc.constantFrom(0.8, 0.9, 1),
  repetitions: fc.integer({ min: 1, max: 20 }),
  days: fc.integer({ min: 1, max: 4 }),
  sides: fc.constantFrom('both' as const, 'one' as const),
  freshDays: fc.integer({ min: 5, max: 90 }),
  mayFallShort: fc.constantFrom(0, 0.25, 0.5, 1, 2),
});

/** Looks that correct one another, and words of the head that ask less or more from some day on. */
const aHistory = fc
  .tuple(
    someLooks,
    fc.array(fc.tuple(fc.nat(), fc.nat()), { maxLength: 4 }),
    fc.array(
      fc.record({
        pointId: fc.constantFrom(...POINTS.map((p) => p.id)),
        ago: fc.integer({ min: -10, max: 60 }),
        share: fc.option(fc.constantFrom(0.4, 0.7, 0.95)),
        waived: fc.boolean(),
      }),
      { maxLength: 2 },
    ),
  )
  .map(([looks, corrected, adapted]) => {
    const out = looks.map((l) => ({ ...l }));
    // Only what came before is corrected: nothing corrects itself.
    for (const [a, b] of corrected) {
      const [i, k] = [a % Math.max(1, out.length), b % Math.max(1, out.length)];
      if (i < k) out[k]!.replaces = out[i]!.id;
    }
    const adaptations = adapted.map(({ ago, ...x }) => ({ ...x, from: addDays(TODAY, -ago), range: null }));
    return { looks: out, adaptations };
  });

const judgeBy = (standard: Parameters<typeof requirement>[0], looks: readonly Look[], more = {}) =>
  verdict(requirement(standard), looks, context(POINTS, more));
const gist = (v: Verdict) => ({
  word: v.word,
  looksNeeded: v.looksNeeded,
  points: v.points.map((p) => [p.point.id, p.side, p.window.held.toFixed(9), p.window.of, p.looksNeeded]),
});
const clean = (l: Look): Look => ({
  ...l,
  marks: POINTS.map((p) => ({ pointId: p.id, kind: 'seen', held: 5, of: 5 })),
});

describe('laws of the verdict', () => {
  it('a clean look never raises the looks needed', () => {
    fc.assert(
      fc.property(aStandard, aHistory, aLook, (s, { looks, adaptations }, extra) => {
        // However late it arrives: its day lies anywhere among the others.
        const more = [...looks, clean(extra)];
        expect(judgeBy(s, more, { adaptations }).looksNeeded).toBeLessThanOrEqual(
          judgeBy(s, looks, { adaptations }).looksNeeded,
        );
      }),
      { numRuns: 400 },
    );
  });

  it('a slip in place of a held repetition never lowers them', () => {
    fc.assert(
      fc.property(aStandard, aHistory, fc.nat(), (s, { looks, adaptations }, pick) => {
        if (looks.length === 0) return;
        const at = pick % looks.length;
        const worse = looks.map((l, i) =>
          i === at
            ? { ...l, marks: l.marks.map((m) => (m.kind === 'measured' ? m : { ...m, held: Math.max(0, m.held - 1) })) }
            : l,
        );
        expect(judgeBy(s, worse, { adaptations }).looksNeeded).toBeGreaterThanOrEqual(
          judgeBy(s, looks, { adaptations }).looksNeeded,
        );
      }),
      { numRuns: 400 },
    );
  });

  it('the order of arrival does not matter', () => {
    fc.assert(
      fc.property(aStandard, someLooks, fc.infiniteStream(fc.nat()), (s, looks, order_) => {
        const shuffled = looks
          .map((l) => [order_.next().value, l] as const)
          .sort((a, b) => Number(a[0]) - Number(b[0]));
        expect(
          gist(
            judgeBy(
              s,
              shuffled.map(([, l]) => l),
            ),
          ),
        ).toEqual(gist(judgeBy(s, looks)));
      }),
    );
  });

  it('replacing a look equals never having made it', () => {
    fc.assert(
      fc.property(aStandard, someLooks, aLook, aLook, (s, looks, wrong, right) => {
        const replaced = [...looks, wrong, { ...right, replaces: wrong.id }];
        expect(gist(judgeBy(s, replaced))).toEqual(gist(judgeBy(s, [...looks, right])));
      }),
    );
  });

  it('nothing is met without a full window at every critical point and at one of its own', () => {
    fc.assert(
      fc.property(aStandard, aHistory, fc.constantFrom('heel', 'knee'), (s, { looks }, own) => {
        const v = judgeBy(s, looks, { isOwn: (id: string) => id === own });
        if (v.word !== 'met') return;
        const full = (id: string) =>
          v.points.filter((p) => p.point.id === id).every((p) => p.window.of >= s.repetitions - 1e-9);
        expect([full('fist'), full(own)]).toEqual([true, true]);
        expect(v.fallen.length).toBeLessThan(v.points.length);
      }),
      { numRuns: 400 },
    );
  });

  it('left and right swap with the body', () => {
    fc.assert(
      fc.property(aStandard, someLooks, (s, looks) => {
        const swapped = looks.map((l) => ({ ...l, side: otherSide(l.side) }));
        const [a, b] = [judgeBy(s, looks), judgeBy(s, swapped)];
        expect([b.word, b.looksNeeded]).toEqual([a.word, a.looksNeeded]);
      }),
    );
  });

  it('a harder condition is never worth less', () => {
    fc.assert(
      fc.property(aStandard, someLooks, (s, looks) => {
        // Looks that did not count before may be slips that count now, so the law speaks of those that count.
        const enough = [...order.get('air')!];
        const counting = looks.map((l, i) => ({ ...l, conditionId: enough[i % enough.length]! }));
        const harder = counting.map((l) => {
          const above = [...order.get(l.conditionId)!];
          return { ...l, conditionId: above[above.length - 1]! };
        });
        expect(judgeBy(s, harder).looksNeeded).toBeLessThanOrEqual(judgeBy(s, counting).looksNeeded);
      }),
    );
  });

  it('an adapted standard that asks less never gives a worse verdict', () => {
    fc.assert(
      fc.property(aStandard, someLooks, fc.constantFrom(...POINTS), fc.boolean(), (s, looks, p, waived) => {
        const share = waived ? null : Math.max(0, (p.critical ? s.criticalShare : s.share) - 0.2);
        const adaptations = [{ pointId: p.id, from: '2026-01-01', range: null, share, waived }];
        expect(judgeBy(s, looks, { adaptations }).looksNeeded).toBeLessThanOrEqual(judgeBy(s, looks).looksNeeded);
      }),
    );
  });

  it('looks needed are enough: after so many clean looks, each on a new day, it is met', () => {
    fc.assert(
      fc.property(aStandard, someLooks, (s, looks) => {
        const { looksNeeded } = judgeBy(s, looks);
        const size = Math.max(5, Math.ceil(s.repetitions / s.days));
        const future = Array.from({ length: looksNeeded }, (_, i) =>
          (['left', 'right'] as const).map((side): Look => ({
            id: `future-${i}-${side}`,
            techniqueId: 't',
            day: addDays(TODAY, i + 1),
            at: 0,
            conditionId: 'air',
            side,
            purpose: null,
            replaces: null,
            marks: POINTS.map((p) => ({ pointId: p.id, kind: 'seen', held: size, of: size })),
          })),
        ).flat();
        const day = addDays(TODAY, looksNeeded);
        expect(judgeBy(s, [...looks, ...future], { today: day }).looksNeeded).toBe(0);
        if (looksNeeded > 1) {
          const one = future.filter((l) => l.day < day);
          expect(judgeBy(s, [...looks, ...one], { today: addDays(day, -1) }).looksNeeded).toBeGreaterThan(0);
        }
      }),
      { numRuns: 400 },
    );
  });
});
