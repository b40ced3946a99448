import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { meet } from '../../core';
import { linesOf, writtenFrom } from './lines';

const of = (text: string) => ({ id: 'x', title: 'Sluice', text });
const met = (was: string, mine: string, theirs: string) =>
  meet(linesOf(of(was), of(was), 'was'), linesOf(of(mine), of(was), 'mine'), linesOf(of(theirs), of(was), 'theirs'));

describe('two texts of one sequence', () => {
  it('what each changed elsewhere stands, also where lines were put in and taken out', () => {
    const m = met('step L\npunch R\nkick L\nbow', 'step L\nslow\npunch R\nkick L\nbow', 'step L\npunch R\nbow low');
    expect(m.places).toEqual([]);
    expect(writtenFrom(m.value).text).toBe('step L\nslow\npunch R\nbow low');
  });

  it('a line that both changed is chosen, by its place', () => {
    const m = met('step L\npunch R', 'step L\npunch R high', 'step L\npunch L');
    expect(m.places).toMatchObject([
      { path: ['lines', '2', 'line'], was: 'punch R', mine: 'punch R high', theirs: 'punch L' },
    ]);
  });

  it('with nothing changed by one of them, the other’s text comes out, whatever it is', () => {
    const text = fc
      .array(fc.constantFrom('step L', 'punch R', 'kick L', ''), { maxLength: 8 })
      .map((l) => l.join('\n'));
    fc.assert(
      fc.property(text, text, (was, other) => {
        expect(writtenFrom(linesOf(of(other), of(was), 'mine'))).toEqual(of(other));
        expect(writtenFrom(met(was, other, was).value)).toEqual(of(other));
        expect(writtenFrom(met(was, was, other).value)).toEqual(of(other));
      }),
    );
  });
});
