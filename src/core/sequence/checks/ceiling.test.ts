import { describe, expect, it } from 'vitest';
import { beyondCeiling, ceilingKept, CONTACT_KINDS, type ContactKind } from '../../technique/ceiling';
import { RUNGS } from '../../syllabus/standard';
import { readSequence } from '../notation/read';
import { makeVocabulary } from '../notation/vocabulary';
import { word } from '../testing/builders';
import { checkSequence, PLAIN_CONTEXT, type CheckName } from '.';

const slipped = (text: string, kind: ContactKind | null, check: CheckName = 'ceiling') => {
  const vocabulary = makeVocabulary([
    word('Elbow strike', { ceiling: { condition: '', kind, contact: '', targets: '' } }),
    word('Slip', { kind: 'evasion' }),
  ]);
  const { sequence } = readSequence(text, vocabulary);
  return checkSequence(sequence, { ...PLAIN_CONTEXT, vocabulary })
    .filter((f) => f.check === check && !f.ok)
    .map((f) => f.text);
};
const drill = (contact: string, line = 'elbow strike R | slip L') =>
  `kind: partner drill\n${contact ? `contact: ${contact}\n` : ''}${line}`;

// Ceilings: F 36, common practice, no source.
describe('a ceiling from the school’s list', () => {
  it.each<[ContactKind, boolean, boolean, boolean, boolean]>([
    // In the air, at a pad, with a partner and no word of contact, with soft hands.
    ['equipment only', false, false, true, true],
    ['not with a partner', false, false, true, true],
    ['at a distance', false, false, false, true],
    ['no impact', false, true, false, false],
    ['stops short', false, false, false, true],
    ['touches', false, false, false, false],
  ])('%s', (kind, air, pad, partner, soft) => {
    const told = [
      slipped('elbow strike R', kind),
      slipped(drill('', 'cue left pad | elbow strike R at left pad'), kind),
      slipped(drill(''), kind),
      slipped(drill('slow, soft hands'), kind),
    ].map((x) => x.length > 0);
    expect(told).toEqual([air, pad, partner, soft]);
  });
  it('what touches at most is not done with gloves, on any rung that has them', () => {
    for (const rung of RUNGS) expect(slipped(drill(rung), 'touches').length > 0).toBe(rung.includes('gloves'));
  });
  it('law: what is allowed with more is allowed with less', () => {
    const bit = [false, true];
    for (const kind of CONTACT_KINDS)
      for (const partner of bit)
        for (const contact of bit)
          for (const gloved of bit) {
            if (beyondCeiling(kind, { partner, equipment: false, contact, gloved }) !== null) continue;
            expect(beyondCeiling(kind, { partner: false, equipment: false, contact, gloved })).toBeNull();
            expect(beyondCeiling(kind, { partner, equipment: false, contact, gloved: false })).toBeNull();
          }
  });
  it('each says what to keep in mind', () => {
    expect(new Set(CONTACT_KINDS.map(ceilingKept)).size).toBe(CONTACT_KINDS.length);
  });
});

describe('work at a partner’s head', () => {
  const head = 'elbow strike R high | slip L';
  it('is told where no rung of contact is named', () => {
    expect(slipped(drill('', head), null, 'head contact')[0]).toContain('no contact is named');
    expect(slipped(drill('firmly', head), null, 'head contact')[0]).toContain('“firmly” names no rung');
    expect(slipped(drill('', 'elbow strike R at left cheek | slip L'), null, 'head contact')).toHaveLength(1);
  });
  it('is not where a rung is named, the head is kept out, or it lands on a pad', () => {
    for (const fine of [
      drill('slow, soft hands', head),
      drill('open hand; never the face', head),
      drill('', '- | elbow strike R high at left pad'),
      'elbow strike R high',
    ])
      expect(slipped(fine, null, 'head contact')).toEqual([]);
  });
});
