import { describe, expect, it } from 'vitest';
import { readSequence } from './notation/read';
import { makeVocabulary } from './notation/vocabulary';
import { word } from './testing/builders';
import { ceilingsKept, keptInWords } from './ceilingsKept';

const ceiling = (more: object) => ({ condition: '', kind: null, contact: '', targets: '', ...more });

describe('what is kept in mind of ceilings', () => {
  const vocabulary = makeVocabulary([
    word('Elbow strike', { ceiling: ceiling({ kind: 'equipment only', targets: 'pads and post' }) }),
    word('Punch'),
    word('Touch', { kind: 'hand shape', ceiling: ceiling({ contact: 'a hand’s length' }) }),
  ]);
  it('a line for each technique of a sequence that has any, once', () => {
    const { sequence } = readSequence('elbow strike R\npunch L\nelbow strike L\ntouch R', vocabulary);
    expect(ceilingsKept(sequence, vocabulary)).toEqual([
      'Elbow strike: full force on equipment only, never on a partner; allowed: pads and post.',
      'Touch: a hand’s length.',
    ]);
  });
  it('also where it stands only in lane B or in a variant', () => {
    const { sequence } = readSequence(
      'kind: partner drill\npunch R | touch L\n~ Reed House: elbow strike R',
      vocabulary,
    );
    expect(ceilingsKept(sequence, vocabulary)).toHaveLength(2);
  });
  it('nothing where nothing is said', () => {
    expect(keptInWords('Punch', null)).toEqual([]);
    expect(keptInWords('Punch', ceiling({ condition: 'in air' }))).toEqual([]);
  });
});
