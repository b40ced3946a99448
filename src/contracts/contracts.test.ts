import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STEADY } from '../core';
import { COMMANDS, envelope, readInput, type CommandName } from './commands';
import { gateShape } from './gate';
import { lookInput } from './look';
import { rankInput } from './rank';
import { requirementShape } from './requirement';
import { setupInput } from './setup';
import { techniqueInput } from './technique';

const id = '0197f3a0-0000-7000-8000-000000000001';
const wrong = (schema: Parameters<typeof readInput>[0], input: unknown) => {
  const read = readInput(schema, input);
  return read.ok ? [] : read.errors.map((e) => `${e.path}: ${e.message}`);
};

const point = {
  id,
  name: 'Heel',
  how: '',
  why: '',
  kind: 'seen',
  bodyPart: 'feet',
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  slips: [],
};
const technique = {
  id,
  name: 'Stance',
  kind: 'stance',
  summary: '',
  sided: true,
  stanceId: null,
  stepId: null,
  points: [] as unknown[],
};

describe('what comes in', () => {
  it.each([
    [
      'a measured point without range and unit',
      { ...point, kind: 'measured' },
      ['points.0.accepted: A measured point needs an accepted range.', 'points.0.unit: A measured point needs a unit.'],
    ],
    [
      'a range the wrong way round',
      { ...point, kind: 'measured', unit: '°', accepted: { lo: 90, hi: 45 } },
      ['points.0.accepted: The range runs from the smaller number to the larger.'],
    ],
    [
      'a wanted range outside the accepted',
      { ...point, kind: 'measured', unit: '°', accepted: { lo: 45, hi: 90 }, wanted: { lo: 80, hi: 100 } },
      ['points.0.wanted: What is wanted lies inside what is accepted.'],
    ],
    [
      'a slip that looks like nothing',
      { ...point, slips: [{ id, looksLike: ' ', cause: '', cue: '', hurts: 'self', hurtsHow: '' }] },
      ['points.0.slips.0.looksLike: Say what the slip looks like.'],
    ],
    ['a point without a name', { ...point, name: '  ' }, ['points.0.name: A name is missing.']],
  ])('%s is refused at its field', (_, p, errors) => {
    expect(wrong(techniqueInput, { ...technique, points: [p] })).toEqual(errors);
  });

  it('names in any script are taken, trimmed', () => {
    for (const name of ['下段払い', 'Łucja', '  돌려차기 ', 'Ünï — “q”']) {
      const read = readInput(techniqueInput, { ...technique, name });
      expect(read.ok && read.value.name).toBe(name.trim());
    }
    expect(wrong(techniqueInput, { ...technique, name: 'x'.repeat(121) })).toEqual([
      'name: A name has at most 120 letters.',
    ]);
  });

  it('standards and gates are possible ones', () => {
    const requirement = {
      id,
      rankId: id,
      threadId: id,
      conditionId: id,
      purpose: null,
      standard: STEADY,
      stage: null,
      rung: null,
      critical: false,
      opens: null,
    };
    expect(wrong(requirementShape, requirement)).toEqual([]);
    expect(wrong(requirementShape, { ...requirement, opens: { kind: 'age', amount: 120 } })).toEqual([
      'opens.amount: Nobody is that old.',
    ]);
    expect(wrong(requirementShape, { ...requirement, standard: { ...STEADY, days: 11 } })).toEqual([
      'standard.days: So many days need at least as many repetitions.',
    ]);
    expect(wrong(requirementShape, { ...requirement, standard: { ...STEADY, share: 1.2, repetitions: 2.5 } })).toEqual([
      'standard.share: A share is at most 1.',
      'standard.repetitions: The number of repetitions is a whole number.',
    ]);
    expect(wrong(gateShape, { id, rankId: id, kind: 'hours', amount: Number.NaN })).toEqual([
      'amount: A gate asks for a number.',
    ]);
    expect(wrong(gateShape, { id, rankId: id, kind: 'age', amount: 0 })).toEqual([
      'amount: A gate asks for more than nothing.',
    ]);
    expect(
      wrong(rankInput, { id, name: 'Fern', cloth: { colour: 'green', second: null, stripe: null, bars: 0 } }),
    ).toEqual(['cloth.colour: A colour is written #RRGGBB.']);
  });

  it('a look marks a point once, and never more held than done', () => {
    const look = {
      id,
      studentId: id,
      techniqueId: id,
      conditionId: id,
      day: '5 March 2026',
      at: '2026-03-05T18:00:00.000Z',
      side: 'left',
      purpose: null,
      replaces: null,
      note: '',
      marks: [] as unknown[],
    };
    const read = readInput(lookInput, look);
    expect(read.ok && read.value.day).toBe('2026-03-05');
    const mark = { pointId: id, kind: 'seen', held: 1, of: 1 };
    expect(wrong(lookInput, { ...look, marks: [mark, mark] })).toEqual([
      'marks: A point is marked twice in this look.',
    ]);
    expect(wrong(lookInput, { ...look, at: 'yesterday' })).toEqual(['at: This is no instant.']);
    expect(wrong(lookInput, { ...look, marks: [{ pointId: id, kind: 'measured', values: [] }] })).toHaveLength(1);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 200 }), (held, of) => {
        expect(readInput(lookInput, { ...look, marks: [{ ...mark, held, of }] }).ok).toBe(held <= of);
      }),
    );
  });

  it('an empty set-up says everything that is missing, in words', () => {
    expect(
      wrong(setupInput, { school: '', timeZone: 'Mars/Base', head: '', email: 'x', password: 'short', ranks: [] }),
    ).toEqual([
      'school: A name is missing.',
      'timeZone: This time zone is not known.',
      'head: A name is missing.',
      'email: This is no e-mail address.',
      'password: A password has at least 10 letters.',
      'ranks: A school needs at least one belt.',
    ]);
  });

  it('no command takes rubbish, and none breaks on it', () => {
    const names = Object.keys(COMMANDS) as CommandName[];
    fc.assert(
      fc.property(fc.constantFrom(...names), fc.anything(), (name, input) => {
        const read = readInput(COMMANDS[name].input, input);
        if (!read.ok) expect(read.errors.every((e) => e.message !== '')).toBe(true);
      }),
      { numRuns: 500 },
    );
    expect(wrong(envelope, { id, at: '2026-03-05T18:00:00.000Z', name: 'school.sell', input: {} })).toEqual([
      'name: There is no such command.',
    ]);
  });
});
