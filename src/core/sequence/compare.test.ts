import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { comparisonInWords } from '../words';
import { anySequence, written } from './testing/builders';
import { compareSequences } from './compare';
import { mirror } from './operations/mirror';

const beside = (a: string, b: string) => compareSequences(written(a), written(b));
const rows = (a: string, b: string) => beside(a, b).rows.map((r) => `${r.how} ${r.a ?? '-'} ${r.b ?? '-'}`);

describe('two sequences beside each other', () => {
  it('the same, changed, put in and left out', () => {
    expect(rows('punch R\nlow block L\npunch L', 'punch R\nrising block L\npunch L\nduck')).toEqual([
      'same 1 1',
      'changed 2 2',
      'same 3 3',
      'only there - 4',
    ]);
  });
  it('what differs in a changed count, and no more', () => {
    const parts = (a: string, b: string) => beside(a, b).rows[0]!.parts;
    expect(parts('punch R', 'punch R high')).toEqual(['height']);
    expect(parts('step L, front stance, punch L, out', 'step L, back stance, punch R, out, shout')).toEqual([
      'stance',
      'side',
      'shout',
    ]);
    expect(parts('punch R', 'low block R')).toEqual(['technique']);
    expect(parts('punch R', 'punch R, slow')).toEqual(['rest']);
    expect(parts('punch R | slip L', 'punch R | duck')).toContain('technique');
  });
  it('a count that stands elsewhere has moved', () => {
    expect(rows('punch R\nlow block L\nduck\npunch L', 'low block L\nduck\npunch L\npunch R')).toEqual([
      'moved 1 4',
      'same 2 1',
      'same 3 2',
      'same 4 3',
    ]);
  });
  it('tells the other side', () => {
    const form = 'step L, front stance, punch L\nstep R, front stance, punch R\nlow block R';
    expect(compareSequences(written(form), mirror(written(form))).otherSide).toBe(true);
    expect(beside(form, form)).toMatchObject({ same: 3, otherSide: false });
  });
  it('in words', () => {
    expect(
      comparisonInWords(beside('punch R\nduck\nlow block L\npunch L', 'punch R\nduck\nlow block R\npunch L')).map(
        (x) => x.text,
      ),
    ).toEqual(['1 to 2: the same', '3: another side', '4: the same']);
  });
  it('laws: every count stands in one row; alike both ways; one and the same is the same throughout', () => {
    fc.assert(
      fc.property(anySequence(), anySequence(), (x, y) => {
        const [there, back] = [compareSequences(x, y), compareSequences(y, x)];
        const numbers = (side: 'a' | 'b') => there.rows.flatMap((r) => r[side] ?? []).sort((p, q) => p - q);
        expect(numbers('a')).toEqual(x.moves.map((_, i) => i + 1));
        expect(numbers('b')).toEqual(y.moves.map((_, i) => i + 1));
        expect(back.same).toBe(there.same);
        expect(compareSequences(x, x).rows.every((r) => r.how === 'same')).toBe(true);
      }),
    );
  });
});
