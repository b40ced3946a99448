import fc from 'fast-check';
import { alpha as registryAlpha } from 'krippendorff';
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import { cohenKappa, fleissKappa } from './cohen';
import { icc } from './icc';
import { bootstrap } from './interval';
import { krippendorffAlpha } from './krippendorff';
import { examinerShifts, type SharedMark } from './examinerShifts';
import { measuresOf } from './measures';
import { agreementOf, splitsOf, type PanelMark } from './panel';

const table = (text: string) => text.split(' / ').map((r) => r.split(' ').map(Number));

describe('published examples', () => {
  it('Cohen 1960: the usual fifty cases (from memory)', () => {
    const cases: [number, string, string][] = [
      [20, 'yes', 'yes'],
      [5, 'yes', 'no'],
      [10, 'no', 'yes'],
      [15, 'no', 'no'],
    ];
    const of = (i: 1 | 2) => cases.flatMap((c) => Array.from({ length: c[0] }, () => c[i]));
    expect(cohenKappa(of(1), of(2))).toMatchObject({ observed: 0.7, expected: 0.5 });
    expect(cohenKappa(of(1), of(2)).kappa).toBeCloseTo(0.4, 12);
  });

  it('Fleiss 1971: ten subjects, fourteen raters, five categories (data from memory)', () => {
    const { kappa, observed, expected } = fleissKappa(
      table(
        '0 0 0 0 14 / 0 2 6 4 2 / 0 0 3 5 6 / 0 3 9 2 0 / 2 2 8 1 1 / 7 7 0 0 0 / 3 2 6 3 0 / 2 5 3 2 2 / 6 5 2 1 0 / 0 2 2 3 7',
      ),
    );
    expect([observed, expected, kappa].map((x) => x!.toFixed(3))).toEqual(['0.378', '0.213', '0.210']);
  });

  it('Shrout and Fleiss 1979, Table 2: six targets, four judges', () => {
    const r = icc(table('9 2 5 8 / 6 1 3 2 / 8 4 6 8 / 7 1 2 6 / 10 5 6 9 / 6 2 4 7'))!;
    const squares = [r.betweenTargets, r.betweenJudges, r.within, r.residual].map((x) => x.toFixed(2));
    expect(squares).toEqual(['11.24', '32.49', '6.26', '1.02']);
    const six = [r.icc11, r.icc21, r.icc31, r.icc1k, r.icc2k, r.icc3k].map((x) => x.toFixed(2));
    expect(six).toEqual(['0.17', '0.29', '0.71', '0.44', '0.62', '0.91']);
  });

  it('Krippendorff 2011, example C: four observers, twelve units, some missing', () => {
    const rows = [
      '1 2 3 3 2 1 4 1 2 . . .',
      '1 2 3 3 2 2 4 1 2 5 . 3',
      '. 3 3 3 2 3 4 2 2 5 1 .',
      '1 2 3 3 2 4 4 1 2 5 1 .',
    ].map((r) => r.split(' ').map((x) => (x === '.' ? null : Number(x))));
    const at = (level: Parameters<typeof krippendorffAlpha>[1]) => krippendorffAlpha(rows, level)!.toFixed(3);
    expect([at('nominal'), at('ordinal'), at('interval'), at('ratio')]).toEqual(['0.743', '0.815', '0.849', '0.797']);
  });
});

const cell = fc.option(fc.integer({ min: 0, max: 2 }), { freq: 4 });
const matrix = fc
  .tuple(fc.integer({ min: 2, max: 4 }), fc.integer({ min: 2, max: 9 }))
  .chain(([raters, units]) =>
    fc.array(fc.array(cell, { minLength: units, maxLength: units }), { minLength: raters, maxLength: raters }),
  );

describe('laws', () => {
  it('alpha is what the registry’s krippendorff says, whatever is missing', () => {
    fc.assert(
      fc.property(matrix, (rows) => {
        const mine = krippendorffAlpha(rows);
        fc.pre(mine !== null);
        const theirs = registryAlpha(rows.map((r) => r.map((x) => x ?? undefined)) as number[][]);
        expect(mine).toBeCloseTo(theirs, 9);
      }),
    );
  });

  it('equal sheets agree wholly, and it does not matter who is who', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 3 }), { minLength: 2, maxLength: 12 }), matrix, (sheet, rows) => {
        const alike = krippendorffAlpha([sheet, sheet, sheet]);
        expect(alike).toBe(new Set(sheet).size > 1 ? 1 : null);
        if (new Set(sheet).size > 1) expect(cohenKappa(sheet, sheet).kappa).toBeCloseTo(1, 12);
        const turned = krippendorffAlpha([...rows].reverse().map((r) => [...r].reverse()));
        const plain = krippendorffAlpha(rows);
        if (plain === null) expect(turned).toBeNull();
        else expect(turned).toBeCloseTo(plain, 9);
      }),
    );
  });

  it('two raters of two categories: Fleiss and Krippendorff meet as the cases grow', () => {
    const dice = seeded(3);
    const a = Array.from({ length: 4000 }, () => (dice() < 0.7 ? 1 : 0));
    const b = a.map((x) => (dice() < 0.85 ? x : 1 - x));
    const fleiss = fleissKappa(a.map((x, i) => [2 - x - b[i]!, x + b[i]!])).kappa!;
    expect(krippendorffAlpha([a, b])!).toBeCloseTo(fleiss, 3);
  });

  it('an interval holds what it is drawn around, and is the same for the same seed', () => {
    const mean = (xs: readonly number[]) => xs.reduce((s, x) => s + x, 0) / xs.length;
    const xs = Array.from({ length: 40 }, (_, i) => i % 7);
    const one = bootstrap(xs, mean, seeded(5))!;
    expect(one.lo).toBeLessThan(mean(xs));
    expect(one.hi).toBeGreaterThan(mean(xs));
    expect(bootstrap(xs, mean, seeded(5))).toEqual(one);
    expect(bootstrap(xs, () => null, seeded(5))).toBeNull();
  });
});

/** A panel whose truth is known: each point holds with its chance, each examiner sees more or fewer slips. */
function panel(shifts: Record<string, number>, { people = 8, points = 6, noise = 0.05, seed = 1 } = {}) {
  const dice = seeded(seed);
  const seen: SharedMark[] = [];
  for (let c = 0; c < people; c += 1)
    for (let p = 0; p < points; p += 1) {
      const truth = 0.6 + 0.3 * dice();
      for (const [examiner, shift] of Object.entries(shifts)) {
        // The strict one is given the weak half only.
        if (examiner === 'Odile' && c >= people / 2) continue;
        const held = truth - (c < people / 2 ? 0.2 : 0) + shift + noise * (dice() + dice() - 1);
        seen.push({ candidate: `c${c}`, thing: `${c} ${p}`, examiner, held });
      }
    }
  return seen;
}

describe('how each examiner sees', () => {
  it('is found again, also of one who saw only the weak ones', () => {
    const found = examinerShifts(panel({ Maren: 0, Idris: 0.1, Odile: -0.1 }), seeded(2));
    const by = new Map(found.map((l) => [l.examiner, l]));
    expect(by.get('Idris')!.shift).toBeCloseTo(0.1, 1);
    expect(by.get('Odile')!.shift).toBeCloseTo(-0.1, 1);
    expect(by.get('Maren')!.shift).toBeCloseTo(0, 1);
    expect(found.reduce((s, l) => s + l.shift, 0)).toBeCloseTo(0, 9);
    expect(by.get('Odile')!.shared).toBe(24);
  });

  it('lies within its interval nine times in ten and more', () => {
    const truth = { Maren: 0.02, Idris: 0.08, Odile: -0.1 };
    let within = 0;
    for (let seed = 1; seed <= 40; seed += 1)
      for (const l of examinerShifts(panel(truth, { seed, noise: 0.3 }), seeded(seed))) {
        const t = truth[l.examiner as keyof typeof truth];
        if (l.between && l.between.lo <= t && t <= l.between.hi) within += 1;
      }
    expect(within / 120).toBeGreaterThanOrEqual(0.85);
  });

  it('nobody who saw things alone is said anything of', () => {
    const alone = panel({ Maren: 0 });
    expect(examinerShifts(alone, seeded(1))).toMatchObject([{ examiner: 'Maren', shared: 0, shift: 0 }]);
  });
});

const mark = (candidate: string, point: string, examiner: string, held: boolean, repetition = 1): PanelMark => ({
  candidate,
  item: 'Front kick',
  point,
  side: 'left',
  repetition,
  examiner,
  held,
});
const three = (candidate: string, point: string, held: [boolean, boolean, boolean], repetition = 1) =>
  ['Maren', 'Idris', 'Odile'].map((e, i) => mark(candidate, point, e, held[i]!, repetition));
const people = ['Aiko', 'Nell', 'Priya', 'Tomasz', 'Kofi'];

describe('a panel', () => {
  it('counts pairs that said the same, and what chance would give', () => {
    // By hand: 5 people, of each 3 pairs; Kofi's heel splits them 2 to 1, so one pair of three is the same.
    const marks = people.flatMap((p) => three(p, 'heel', p === 'Kofi' ? [true, false, true] : [true, true, true]));
    const a = agreementOf(marks);
    expect([a.same, a.pairs, a.slips]).toEqual([13, 15, 1]);
    expect(a.chance).toBeCloseTo((15 * (14 * 13)) / (15 * 14), 9);
    expect(a.enough).toBe('too few slips');
  });

  it('says when there is too little to say', () => {
    expect(agreementOf(three('Kofi', 'heel', [true, false, true])).enough).toBe('too few pairs');
    const held = people.flatMap((p) => three(p, 'heel', [true, true, true]));
    expect(agreementOf(held)).toMatchObject({ enough: 'nobody slipped', alpha: null, same: 15 });
  });

  it('who always says the same is not said to be as one for certain', () => {
    const marks = people.flatMap((p, i) =>
      [1, 2, 3, 4].flatMap((r) => three(p, 'heel', i + r > 5 ? [false, false, false] : [true, true, true], r)),
    );
    const a = agreementOf(marks);
    expect(a).toMatchObject({ alpha: 1, enough: 'yes' });
    expect(a.between!.hi).toBe(1);
    expect(a.between!.lo).toBeGreaterThan(0.5);
    expect(a.between!.lo).toBeLessThan(0.8);
  });

  it('is the same whoever is called what, in whatever order the sheets come', () => {
    const marks = people.flatMap((p, i) =>
      [1, 2, 3].flatMap((r) => three(p, 'heel', [i !== r, i > 1, (i + r) % 2 === 0], r)),
    );
    const renamed = marks.map((m) => ({ ...m, examiner: `x ${m.examiner}` })).reverse();
    const [a, b] = [agreementOf(marks), agreementOf(renamed)];
    expect([b.same, b.pairs, b.chance, b.slips]).toEqual([a.same, a.pairs, a.chance, a.slips]);
    expect(b.alpha).toBeCloseTo(a.alpha!, 9);
  });

  it('alpha is Krippendorff’s of the same marks, whatever was not seen', () => {
    const dice = seeded(8);
    const marks = people.flatMap((p) =>
      [1, 2, 3, 4].flatMap((r) =>
        three(p, 'heel', [dice() > 0.3, dice() > 0.4, dice() > 0.2], r).filter(() => dice() > 0.15),
      ),
    );
    const units = [...new Set(marks.map((m) => `${m.candidate} ${m.repetition}`))];
    const rows = ['Maren', 'Idris', 'Odile'].map((e) =>
      units.map((u) => {
        const m = marks.find((x) => x.examiner === e && `${x.candidate} ${x.repetition}` === u);
        return m ? Number(m.held) : null;
      }),
    );
    expect(agreementOf(marks).alpha).toBeCloseTo(krippendorffAlpha(rows)!, 9);
  });

  it('the usual figures are those of the published formulas, over what both or all saw', () => {
    // Cohen 1960, the usual fifty cases (from memory): 20 both held, 15 both slipped, 5 and 10 apart; kappa 0.40.
    const cases: [boolean, boolean][] = [
      ...Array.from({ length: 20 }, (): [boolean, boolean] => [true, true]),
      ...Array.from({ length: 5 }, (): [boolean, boolean] => [true, false]),
      ...Array.from({ length: 10 }, (): [boolean, boolean] => [false, true]),
      ...Array.from({ length: 15 }, (): [boolean, boolean] => [false, false]),
    ];
    const two = cases.flatMap(([a, b], i) => [
      mark(`c${i}`, 'heel', 'Maren', a, 1),
      mark(`c${i}`, 'heel', 'Idris', b, 1),
    ]);
    const found = measuresOf([...two, mark('c99', 'heel', 'Maren', true, 1)]);
    expect(found.cohen).toMatchObject([{ pairs: 50 }]);
    expect(found.cohen[0]!.kappa).toBeCloseTo(0.4, 9);
    expect(found.fleiss!.units).toBe(50);
    // All alike is 1 of each; nobody to compare with is nothing.
    const same = people.flatMap((p, i) =>
      [1, 2].flatMap((r) => three(p, 'heel', Array(3).fill(i > 2) as [boolean, boolean, boolean], r)),
    );
    expect(measuresOf(same)).toMatchObject({ fleiss: { kappa: 1 }, shares: { things: 5 } });
    expect(measuresOf(same).shares!.single).toBeCloseTo(1, 9);
    expect(measuresOf([mark('c', 'heel', 'Maren', true, 1)])).toMatchObject({ cohen: [], fleiss: null, shares: null });
  });

  it('marks out of ten and measures: the intraclass correlation of what all gave', () => {
    // Shrout and Fleiss 1979, table 2: six targets, four judges; ICC(2,1) is 0.29 there.
    const table = [
      [9, 2, 5, 8],
      [6, 1, 3, 2],
      [8, 4, 6, 8],
      [7, 1, 2, 6],
      [10, 5, 6, 9],
      [6, 2, 4, 7],
    ];
    const given = table.flatMap((row, i) => row.map((value, k) => ({ thing: `t${i}`, examiner: `e${k}`, value })));
    // One whom a single judge marked does not count.
    const alone = { thing: 'alone', examiner: 'e0', value: 3 };
    const found = measuresOf([], {
      marks: [...given, alone],
      measured: given.map((g) => ({ ...g, point: 'base foot' })),
    });
    expect(found.marks!.things).toBe(6);
    expect(found.marks!.single).toBeCloseTo(0.29, 2);
    expect(found.measured).toEqual([{ point: 'base foot', ...found.marks }]);
    expect(measuresOf([]).marks).toBeNull();
  });

  it('the points that split it come first', () => {
    const marks = [
      ...people.flatMap((p) => three(p, 'base foot', [true, true, false])),
      ...people.flatMap((p, i) => three(p, 'guard', [i > 0, true, true])),
      ...people.flatMap((p) => three(p, 'knee', [true, true, true])),
    ];
    expect(splitsOf(marks).map((s) => [s.point, s.differ, s.pairs])).toEqual([
      ['base foot', 10, 15],
      ['guard', 2, 15],
    ]);
  });
});
