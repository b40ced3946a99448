import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { guarded, unguarded } from './cell';

// Begins like a formula after any of what some program takes for the beginning of a cell (OWASP, CSV injection).
const RUNS = /(^|[\r\n\t;；])[ \u00A0\u3000]*[=+\-@＝＋－＠]|^[\t\r]/;

describe('cells of a table', () => {
  it.each([
    '=1+1',
    '+cmd|calc',
    '-2',
    '@sum',
    'first\n=second',
    'a;=b',
    'a; +b',
    '＝1＋1',
    '\t=1',
    ' =1',
    "'=1",
    'a\r\n-b',
    '；＠x',
  ])('%j is kept as text, and read as it was', (cell) => {
    expect(guarded(cell)).not.toMatch(RUNS);
    expect(unguarded(guarded(cell))).toBe(cell);
  });

  it('whatever stands in a cell comes back, through a table too', () => {
    const letters = fc.constantFrom('=', '+', '-', '@', "'", ';', '\n', '\r', '\t', ' ', 'a', '＝', '；', '"', ',');
    fc.assert(
      fc.property(fc.string({ unit: letters, maxLength: 12 }), (cell) => {
        expect(guarded(cell)).not.toMatch(RUNS);
        expect(unguarded(guarded(cell))).toBe(cell);
        const table = Papa.unparse([{ a: guarded(cell), b: 'x' }], { newline: '\r\n' });
        const back = Papa.parse<{ a: string }>(table, { header: true }).data[0]!;
        expect(unguarded(back.a)).toBe(cell);
      }),
      { numRuns: 3000 },
    );
  });
});
