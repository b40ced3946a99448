import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Point } from '../technique/point';
import { addDays } from '../units/plainDate';
import { sweepInWords, worthInWords } from '../words';
import { dayInWords } from '../words/english/day';
import { beliefOf } from './believe';
import { betaCdf } from './beta';
import { NOTHING_EXPECTED, both, context, order, point, requirement, TODAY } from './testing/builders';
import { gatherEvidence, type Look } from './looks';
import { expectedGain, lookWorths, nearness, nextLooks, type LookWorth } from './nextLooks';
import { verdict } from './verdict';

const heel = point('rear heel');
const hip = point('hip', { bodyPart: 'hips' });
const GRADING = addDays(TODAY, 28);

function worth(
  studentId: string,
  points: readonly Point[],
  looks: readonly Look[],
  gradingDay: string | null = GRADING,
) {
  const r = requirement();
  const g = { evidence: gatherEvidence(looks, new Map()), order, today: TODAY, expected: () => NOTHING_EXPECTED };
  const v = verdict(r, looks, context(points));
  return lookWorths(
    studentId,
    [
      {
        requirementId: `r ${studentId}`,
        itemKey: 't',
        conditionId: r.conditionId,
        freshDays: r.standard.freshDays,
        repetitions: r.standard.repetitions,
        days: r.standard.days,
        verdict: v,
        belief: (p, side) => beliefOf(r, p.id, side, g),
      },
    ],
    TODAY,
    gradingDay,
  );
}
const evening = (present: readonly string[]) => ({ present, orderOf: () => order });
const once = (held: number) => both(addDays(TODAY, -3), { 'rear heel': [held, 5] });
const metLooks = [1, 3].flatMap((ago) => both(addDays(TODAY, -ago), { 'rear heel': [5, 5] }));

describe('what a look tells', () => {
  it('tells most where it could be either way, nothing where all is known', () => {
    const unsure = expectedGain({ a: 4, b: 1.2 }, 0.8, 5);
    expect(unsure).toBeGreaterThan(0.05);
    expect(expectedGain({ a: 400, b: 10 }, 0.8, 5)).toBeLessThan(0.001);
    expect(expectedGain({ a: 1, b: 60 }, 0.8, 5)).toBeLessThan(0.001);
  });

  it('law: never less than nothing, never more than what is not known', () => {
    const ab = fc.double({ min: 0.5, max: 60, noNaN: true });
    fc.assert(
      fc.property(ab, ab, fc.constantFrom(0.6, 0.8, 0.9), (a, b, share) => {
        const p = betaCdf(share, a, b);
        const unknown = p <= 0 || p >= 1 ? 0 : -(p * Math.log2(p) + (1 - p) * Math.log2(1 - p));
        const gain = expectedGain({ a, b }, share, 5);
        expect(gain).toBeGreaterThanOrEqual(0);
        expect(gain).toBeLessThanOrEqual(unknown + 1e-9);
      }),
    );
  });

  it('is worth half as much four weeks farther from the grading', () => {
    expect(nearness(TODAY, GRADING)).toBeCloseTo(0.5, 9);
    expect(nearness(TODAY, TODAY)).toBe(1);
    expect(nearness(TODAY, null)).toBe(0.5);
  });
});

describe('worth a look', () => {
  it('is nothing for what is met and stays fresh, but something for what goes stale before the grading', () => {
    expect(worth('a', [heel], metLooks)).toEqual([]);
    const later = worth('a', [heel], metLooks, addDays(TODAY, 80));
    expect(later[0]!.points).toHaveLength(2);
    expect(later[0]!.settles).toBeGreaterThan(0.3);
    // Watched yesterday, fresh for sixty days: the day after the fifty-ninth from now it is not.
    const until = addDays(TODAY, 59);
    expect(later[0]!.freshUntil).toBe(until);
    expect(worthInWords(later[0]!, 'unused', TODAY)).toBe(
      `Met, but fresh only until ${dayInWords(until, TODAY)}; the grading is later.`,
    );
  });

  it('is nothing for a point that may fall short where all else is met', () => {
    const r = requirement({ mayFallShort: 1 });
    const looks = [1, 3].flatMap((ago) => both(addDays(TODAY, -ago), { 'rear heel': [5, 5], hip: [1, 5] }));
    const v = verdict(r, looks, context([heel, hip]));
    expect(v.word).toBe('met');
    const asked = { requirementId: 'r', itemKey: 't', conditionId: 'air', freshDays: 60, repetitions: 10, days: 2 };
    const belief = () => ({ a: 2, b: 1, looks: 1 });
    expect(lookWorths('a', [{ ...asked, verdict: v, belief }], TODAY, GRADING)).toEqual([]);
  });

  it('offers who is present, and the one whom a look settles first', () => {
    const worths = [
      ...worth('close', [heel], once(5)),
      ...worth('far', [heel], once(0)),
      ...worth('away', [heel], once(5)),
    ];
    const list = nextLooks(worths, evening(['far', 'close']));
    const cards = list.filter((x) => x.kind === 'card').map((x) => x.studentIds[0]);
    expect(cards).toEqual(['close', 'far']);
    expect(list.find((x) => x.studentIds[0] === 'close' && x.kind === 'card')!.requirementId).toBe('r close');
  });

  it('sweeps nothing that only the receiver can tell, and nothing that takes its time to measure', () => {
    for (const kind of ['felt', 'measured'] as const) {
      const told = point('moved me', { kind });
      const worths = ['Ilse', 'Kofi'].flatMap((n) => worth(n, [told], []));
      const list = nextLooks(worths, evening(['Ilse', 'Kofi']));
      expect(list.map((x) => x.kind)).toEqual(['card', 'card']);
    }
  });

  it('offers a sweep before single looks where it settles several, and says whom', () => {
    // Only the left heel is open for each of five people.
    const looks = [...metLooks, ...both(addDays(TODAY, -2), { 'rear heel': [5, 5] })].filter((l) => l.side === 'right');
    const names = ['Ilse', 'Kofi', 'Dilip', 'Yuna', 'Noor', 'Mei', 'Emre', 'Hana'];
    const worths = names.flatMap((n) => worth(n, [heel], [...looks, ...once(5).filter((l) => l.side === 'left')]));
    const [first] = nextLooks(worths, evening(names));
    expect(first).toMatchObject({ kind: 'sweep', pointId: 'rear heel', side: 'left' });
    expect(sweepInWords(first!, (id) => id)).toBe('One sweep could settle Ilse, Kofi, Dilip, Yuna and 4 more.');
  });

  it('gives everybody a turn before anybody has a second, except for what can hurt', () => {
    const two = (id: string, hurts = false): LookWorth[] =>
      ['x', 'y'].map((itemKey, i) => ({
        ...worth(id, [heel, hip], once(5))[0]!,
        itemKey,
        requirementId: `${id} ${itemKey}`,
        settles: id === 'first' ? 0.9 - i / 10 : 0.2,
        hurts,
      }));
    const order_ = nextLooks([...two('first'), ...two('second')], evening(['first', 'second']), 8).filter(
      (x) => x.kind === 'card',
    );
    expect(
      order_
        .map((x) => x.studentIds[0])
        .slice(0, 2)
        .sort(),
    ).toEqual(['first', 'second']);
    const hurting = nextLooks([...two('first', true), ...two('second')], evening(['first', 'second']), 8).filter(
      (x) => x.kind === 'card',
    );
    expect(hurting.slice(0, 2).map((x) => x.studentIds[0])).toEqual(['first', 'first']);
  });

  it('keeps to tonight’s plan and leaves out what was done', () => {
    const worths = worth('a', [heel], once(5));
    expect(nextLooks(worths, { ...evening(['a']), visible: () => false })).toEqual([]);
    expect(nextLooks(worths, { ...evening(['a']), done: new Set(['a t']) })).toEqual([]);
  });
});
