import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { INVERSIONS, makeVocabulary, parseStep, POWERS, type Operation } from '../../../core';
import { asDraft, operationOf, OPS } from '.';
import { fresh } from './draft';
import { wordsNamed } from '../testing/words';

const words = makeVocabulary(wordsNamed('front kick', 'low block', 'rising block', 'stepping punch', 'front stance'));
const step = (text: string) => {
  const read = parseStep(text, words);
  if (!read.ok) throw new Error(read.error[0]!.message);
  return read.value;
};
const back = (o: Operation) => operationOf(asDraft(o), words);

const anyStep = fc
  .constantFrom('front kick R, out', 'low block L', 'step L, front stance, stepping punch L, shout')
  .map(step);
const side = fc.constantFrom('left', 'right', 'lead', 'rear');
const zone = fc.constantFrom('upper', 'middle', 'lower');
const some = <T,>(key: string, of: fc.Arbitrary<T>) =>
  fc.option(of, { nil: undefined }).map((v) => (v === undefined ? {} : { [key]: v }));
/** Patterns that the fields can say. */
const pattern = fc
  .tuple(
    fc.constantFrom(
      { name: 'low block' },
      { kind: 'kick' },
      { kind: 'block' },
      { kind: 'strike' },
      { family: 'foot' },
      { kind: 'strike', family: 'hand' },
      { family: 'hand', kinds: ['strike', 'hand shape'] },
    ),
    some('side', side),
    some('zone', zone),
    some('stance', fc.constant('front stance')),
    fc.constantFrom({}, { advancing: true }, { turning: true }),
  )
  .map((parts) => Object.assign({}, ...parts) as Extract<Operation, { op: 'substitute' }>['pattern']);
const operation: fc.Arbitrary<Operation> = fc.oneof(
  fc.constantFrom<Operation>(
    { op: 'mirror' },
    { op: 'pyramid' },
    { op: 'swap roles' },
    { op: 'levels' },
    { op: 'answer' },
  ),
  fc.constantFrom(...INVERSIONS).map((what): Operation => ({ op: 'invert', what })),
  fc.constant<Operation>({ op: 'invert', what: 'hands and feet', pairs: [['low block', 'front kick']] }),
  fc
    .tuple(pattern, fc.constantFrom('before', 'after', 'instead'), anyStep)
    .map(([p, how, s]): Operation => ({ op: 'substitute', pattern: p, replacement: { do: how as 'before', step: s } })),
  pattern.map((p): Operation => ({ op: 'substitute', pattern: p, replacement: { do: 'remove' } })),
  fc
    .tuple(pattern, some('zone', fc.constantFrom('middle', 'lower')), some('stance', fc.constant('front stance')))
    .map(([p, z, st]): Operation => ({
      op: 'substitute',
      pattern: p,
      replacement: { do: 'become', name: 'rising block', ...z, ...st },
    })),
  pattern.map((p): Operation => ({
    op: 'substitute',
    pattern: p,
    replacement: { do: 'become', name: 'rising block', target: 'left pad' },
    lane: 'B',
  })),
  pattern.map((p): Operation => ({
    op: 'substitute',
    pattern: p,
    replacement: { do: 'before', step: step('front kick R'), slidesUp: true },
    lane: 'A',
  })),
  fc.constantFrom<Operation>(
    { op: 'mirror', lane: 'B' },
    { op: 'turns', by: 'swing' },
    { op: 'turns', by: 'cross' },
    { op: 'power by kind', ways: { turning: 'drop' } },
    { op: 'shuffle', seed: 3, rounds: 4, by: 'name' },
    { op: 'levels', pattern: { zones: ['lower', 'upper'], first: 'right', turn: 0, foot: 'same', bothHands: false } },
    {
      op: 'levels',
      pattern: { techniques: ['low block'], zones: ['upper'], first: 'left', turn: 90, foot: 'other', bothHands: true },
    },
    { op: 'invert', what: 'lead and rear', pairs: [['low block', 'front kick']] },
  ),
  fc.uuid().map((id): Operation => ({ op: 'chain', with: id })),
  fc
    .tuple(fc.uuid(), fc.integer({ min: 1, max: 400 }))
    .map(([head, from]): Operation => ({ op: 'new head', head, from })),
  fc.array(anyStep, { minLength: 1, maxLength: 5 }).map((steps): Operation => ({ op: 'extend', steps })),
  fc.integer({ min: 2, max: 50 }).map((times): Operation => ({ op: 'repeat', times })),
  fc
    .tuple(fc.integer({ min: 0, max: 2 ** 31 - 1 }), fc.integer({ min: 1, max: 100 }))
    .map(([seed, rounds]): Operation => ({ op: 'quarters', seed, rounds })),
  fc.string({ minLength: 1, maxLength: 30 }).map((name): Operation => ({ op: 'section', name })),
  fc
    .tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: 0, max: 200 }))
    .map(([from, more]): Operation => ({ op: 'counts', from, to: from + more })),
  fc.subarray([...POWERS], { minLength: 1 }).map((ways): Operation => ({ op: 'power round', ways })),
);

describe('the fields of a recipe', () => {
  it('law: what is put into them comes out of them', () => {
    fc.assert(
      fc.property(operation, (o) => {
        expect(back(o)).toEqual({ ok: true, op: o });
      }),
    );
  });

  it('offer every operation there is, once', () => {
    expect(new Set(OPS.map((o) => o.value)).size).toBe(OPS.length);
    for (const { value } of OPS) expect(operationOf({ ...fresh(), op: value }, words)).toHaveProperty('ok');
  });

  it.each([
    ['chain', {}, 'Which sequence follows?'],
    ['new head', { other: 'x', from: '0' }, 'From which count on?'],
    ['new head', {}, 'Whose head?'],
    ['extend', { steps: ' \n ' }, 'Which counts are added?'],
    ['repeat', { times: '1' }, 'From 2 to 50 times.'],
    ['repeat', { times: 'two' }, 'From 2 to 50 times.'],
    ['quarters', { times: '101' }, 'From 1 to 100 rounds of four.'],
    ['section', {}, 'Which section?'],
    ['counts', { from: '5', to: '4' }, 'From which count to which?'],
    ['power round', { ways: [] }, 'Which ways?'],
  ] as const)('%s with %j says what is missing', (op, more, why) => {
    expect(operationOf({ ...fresh(), op, ...more }, words)).toEqual({ ok: false, why });
  });

  it('a line that cannot be read says so in the words of the notation', () => {
    const read = operationOf({ ...fresh(), op: 'extend', steps: 'front kick R\nturn sideways' }, words);
    expect(read).toMatchObject({ ok: false, why: expect.stringMatching(/\w/) as string });
    const rule = { ...fresh().rule, what: 'name' as const, name: ' ' };
    expect(operationOf({ ...fresh(), rule }, words)).toEqual({ ok: false, why: 'Which technique is meant?' });
  });

  it('heights are taken as they are said at the mat', () => {
    const rule = { ...fresh().rule, what: 'block' as const, moving: '' as const, do: 'become' as const };
    for (const [said, means] of [
      ['high', 'upper'],
      ['mid', 'middle'],
      ['low', 'lower'],
      ['upper', 'upper'],
    ])
      expect(operationOf({ ...fresh(), rule: { ...rule, step: `stepping punch, ${said}` } }, words)).toMatchObject({
        op: { replacement: { do: 'become', name: 'stepping punch', zone: means } },
      });
    // The height that the name says is the height it becomes.
    expect(operationOf({ ...fresh(), rule: { ...rule, step: 'rising block, high' } }, words)).toMatchObject({
      op: { replacement: { do: 'become', name: 'rising block' } },
    });
  });
  it.each([
    ['', 'What does it become?'],
    ['low block L', 'Its side stays: leave L or R out.'],
    ['low block + front kick', 'It becomes one technique, with its height and what it touches.'],
    ['step L, low block', 'It becomes one technique, with its height and what it touches.'],
  ])('“%s” is nothing to become, and says why', (step, why) => {
    const rule = { ...fresh().rule, what: 'block' as const, do: 'become' as const, step };
    expect(operationOf({ ...fresh(), rule }, words)).toEqual({ ok: false, why });
  });
});
