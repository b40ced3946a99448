import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { makeUpInWords } from '../words/english/makeUp';
import { makeUpDrill, type KnownDrill } from './makeUp';

const drill = (title: string, counts: number, at: number[], fits = { from: 1, to: counts }): KnownDrill => ({
  title,
  counts,
  at,
  fits,
});

describe('the drill by which a technique is made up', () => {
  it('is the passage in which it comes most often', () => {
    const made = makeUpDrill([drill('First Causeway', 22, [5, 14]), drill('Reeds', 4, [3, 4])]);
    expect(made).toEqual({ title: 'Reeds', from: 1, to: 4, whole: true, at: [3, 4] });
    expect(makeUpInWords(made!)).toBe('Reeds, five times slowly: it comes at counts 3 and 4.');
  });

  it('stays within the floor, with two counts to come into it and one to come out', () => {
    const made = makeUpDrill([drill('First Causeway', 22, [2, 9, 20], { from: 6, to: 14 })]);
    expect(made).toEqual({ title: 'First Causeway', from: 7, to: 10, whole: false, at: [9] });
    expect(makeUpInWords(made!)).toBe('First Causeway, counts 7 to 10, five times slowly: it comes at count 9.');
  });

  it('is none where it occurs in nothing known, or the floor is too small for where it occurs', () => {
    expect(makeUpDrill([])).toBeNull();
    expect(makeUpDrill([{ ...drill('Reeds', 4, [3]), fits: null }])).toBeNull();
    expect(makeUpDrill([drill('Reeds', 4, [3], { from: 1, to: 2 })])).toBeNull();
  });

  it('never leaves the floor, always shows the technique, and does not depend on the order of what is known', () => {
    const any = fc
      .record({
        counts: fc.integer({ min: 1, max: 30 }),
        ats: fc.array(fc.integer({ min: 1, max: 30 })),
        a: fc.nat(29),
        b: fc.nat(29),
      })
      .map(({ counts, ats, a, b }, i = 0) => {
        const [from, to] = [Math.min(a, b, counts - 1) + 1, Math.min(Math.max(a, b) + 1, counts)];
        const at = [...new Set(ats.filter((n) => n <= counts))].sort((x, y) => x - y);
        return { title: `Drill ${counts} ${at.join(' ')} ${from} ${to} ${i}`, counts, at, fits: { from, to } };
      });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 6 }), (known) => {
        const made = makeUpDrill(known);
        expect(makeUpDrill([...known].reverse())).toEqual(made);
        const from = known.find((d) => d.title === made?.title);
        const possible = known.some((d) => d.at.some((n) => n >= d.fits.from && n <= d.fits.to));
        expect(made !== null).toBe(possible);
        if (!made || !from) return;
        expect(made.from).toBeGreaterThanOrEqual(from.fits.from);
        expect(made.to).toBeLessThanOrEqual(from.fits.to);
        expect(made.at.length).toBeGreaterThan(0);
        for (const n of made.at) expect(n >= made.from && n <= made.to && from.at.includes(n)).toBe(true);
      }),
    );
  });
});
