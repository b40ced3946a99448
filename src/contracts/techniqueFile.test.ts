import { describe, expect, it } from 'vitest';
import { NO_DETAIL } from './stored/technique';
import { printTechniques, readTechniques, detailOut, type TechniqueFile } from './techniqueFile';

const punch: TechniqueFile = {
  name: 'Reed punch',
  kind: 'strike',
  summary: 'One step, one punch.',
  sided: true,
  stance: 'Front stance',
  step: null,
  before: ['Fist'],
  points: [
    {
      name: 'Fist lands with the foot',
      bodyPart: 'timing',
      kind: 'measured',
      how: 'Neither before nor after',
      why: 'Then the weight is in it',
      critical: true,
      unit: 'ms',
      accepted: { lo: -100, hi: 100 },
      wanted: { lo: -40, hi: 40 },
      measuredBy: 'from when the foot lands to when the hand arrives',
      slips: [
        { looksLike: 'Fist after the foot', cause: 'Aiming', cue: 'One clap.', hurts: 'self', hurtsHow: 'the wrist' },
      ],
    },
    {
      name: 'Eyes ahead',
      bodyPart: 'eyes',
      kind: 'seen',
      how: '',
      why: '',
      critical: false,
      unit: null,
      accepted: null,
      wanted: null,
      measuredBy: null,
      slips: [],
    },
  ],
  detail: {
    ...detailOut(NO_DETAIL, () => null),
    zone: 'middle',
    surface: 'first two knuckles',
    terms: [{ lang: 'ja', text: '突き', said: 'tsuki', meaning: 'thrust' }],
    variants: [{ name: 'No tell', schools: 'Reed House', why: 'seen', graded: true, point: 'Eyes ahead' }],
  },
};
const bare: TechniqueFile = {
  name: 'Crane stance',
  kind: 'stance',
  summary: '',
  sided: false,
  stance: null,
  step: null,
  before: [],
  points: [],
  detail: detailOut(NO_DETAIL, () => null),
};

describe('techniques outside of the house', () => {
  it('come back from text and from JSON as they were', () => {
    for (const source of [
      printTechniques([punch, bare]),
      JSON.stringify({ format: 'stavewright-techniques', version: 1, techniques: [punch, bare] }),
    ]) {
      expect(readTechniques(source).map((r) => r.technique)).toEqual([punch, bare]);
    }
  });

  it('say what is wrong, each for itself, and keep the others', () => {
    const read = readTechniques(
      'technique: Good\nkind: block\n\ntechnique: Bad\nkind: dance\npoint: x\n  part: elbow\n  accepted: ten\ncue: lost\nwings: two',
    );
    expect(read[0]!.technique?.name).toBe('Good');
    expect(read[1]!.technique).toBeNull();
    const wrong = read[1]!.wrong.join('\n');
    for (const part of [
      'Line 8: a range',
      'Line 9: “cue” belongs to a slip',
      'Line 10: “wings”',
      'kind: A kind is one of',
      'points.0.bodyPart',
    ])
      expect(wrong).toContain(part);
  });

  it.each([
    ['{ not json', 'cannot be read'],
    ['{"a": 1}', 'no list of techniques'],
    ['kind: block', 'begin with'],
    ['[{"name": ""}]', 'A name is missing'],
    [
      'technique: A\nkind: block\npoint: x\n  part: knees\n  known: measured\n  unit: cm\n  accepted: 1 to 2\n  read off: front knee',
      'not told in this unit',
    ],
    ['technique: A\nkind: block\npoint: x\n  part: knees\n  read off: a guess', 'Nothing is measured in this way'],
  ])('%s', (source, message) => {
    expect(readTechniques(source)[0]!.wrong.join(' ')).toContain(message);
  });
});
