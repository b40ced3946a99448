import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { commonStance } from '../floor/stance';
import { traceFloor } from '../floor/trace';
import { anySequence, word, written } from './testing/builders';
import { makeVocabulary } from './notation/vocabulary';
import { stancesIn, stancesNamed, stancesOf } from './stances';

/** A stance of the school: longer than the common front stance, sixty in a hundred in front. */
const marshReed = { ...commonStance('front stance')!, length: 4, leadWeight: 60 };
const vocabulary = makeVocabulary([
  word('Marsh reed stance', { kind: 'stance', terms: ['reed'], geometry: marshReed }),
]);
const find = stancesOf(vocabulary);

describe('stances of the school', () => {
  it('are found by name, by the name without “stance”, and by a term', () => {
    for (const name of ['Marsh reed stance', 'marsh reed', 'reed']) expect(find(name)).toEqual(marshReed);
    expect(find('front stance')).toBeNull();
  });

  it('law: who takes along what a sequence stands in draws the very feet that the library gives', () => {
    fc.assert(
      fc.property(anySequence(), (seq) => {
        const along = stancesNamed(stancesIn(seq, find));
        expect(traceFloor(seq, { stature: 1.7, stances: along })).toEqual(
          traceFloor(seq, { stature: 1.7, stances: find }),
        );
      }),
    );
    const own = written('step L, marsh reed stance, punch R');
    const feet = (stances: typeof find) => traceFloor(own, { stature: 1.7, stances }).at[0]!;
    expect(feet(stancesNamed(stancesIn(own, find)))).toEqual(feet(find));
    expect(feet(() => null)).not.toEqual(feet(find));
  });
});
