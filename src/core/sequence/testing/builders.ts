// Generated sequences for the laws.
import fc from 'fast-check';
import { ZONES } from '../../units/zone';
import {
  ACTION_KINDS,
  ACTION_SIDES,
  BREATHS,
  EMPTY_STEP,
  FOOT_WAYS,
  isEmptyStep,
  POWERS,
  SEQUENCE_KINDS,
  TURN_WAYS,
  type Action,
  type Move,
  type Sequence,
  type Step,
} from '../move';
import { parseSequence } from '../notation/read';
import type { Word } from '../notation/vocabulary';

const NAMES = [
  'punch',
  'low block',
  'rising block',
  'front kick',
  'inner block',
  'outer block',
  'high punch',
  'elbow strike',
  'marsh wind',
  'step',
  'turn the mill',
  'punch R',
  'high',
  'low',
  'hand at rest',
  'a, b',
  'plus + one',
  '蹴り',
  'kopnięcie okrężne',
  'front stance',
  '3 winds',
  'hold fast',
];
const text = fc.constantFrom('one', 'left arm', 'upper left', 'a, b | c', 'x # y', 'Überschlag', '二');
const side = fc.constantFrom<'left' | 'right'>('left', 'right');

const anyAction: fc.Arbitrary<Action> = fc.record({
  name: fc.constantFrom(...NAMES),
  kind: fc.constantFrom(...ACTION_KINDS),
  side: fc.constantFrom(...ACTION_SIDES),
  zone: fc.option(fc.constantFrom(...ZONES)),
  path: fc.option(fc.constantFrom('inside' as const, 'outside' as const)),
  target: fc.option(text),
});
const angle = fc.oneof(
  fc.constantFrom(0, 90, 180, -90),
  fc.integer({ min: 1, max: 179 }),
  fc.integer({ min: -179, max: -1 }),
);
export const anyStep: fc.Arbitrary<Step> = fc
  .record({
    turn: fc.option(
      fc.record({
        degrees: fc.integer({ min: 1, max: 720 }).chain((d) => fc.constantFrom(d, -d)),
        by: fc.constantFrom(...TURN_WAYS),
      }),
    ),
    foot: fc.option(fc.record({ side, way: fc.constantFrom(...FOOT_WAYS), toward: angle })),
    stance: fc.option(
      fc.constantFrom(
        'front stance',
        'back stance',
        'cat stance',
        'ready stance',
        'crane',
        'marsh reed stance',
        'left',
      ),
    ),
    lead: fc.option(side),
    weight: fc.option(
      fc.record({
        start: fc.option(fc.integer({ min: 0, max: 100 })),
        end: fc.integer({ min: 0, max: 100 }),
      }),
    ),
    level: fc.option(fc.constantFrom('rise' as const, 'sink' as const)),
    actions: fc.array(anyAction, { maxLength: 2 }),
    free: fc.boolean(),
    powers: fc.uniqueArray(fc.constantFrom(...POWERS), { maxLength: 3 }),
    breath: fc.option(fc.constantFrom(...BREATHS)),
    shout: fc.boolean(),
    tempo: fc.option(fc.constantFrom('slow' as const, 'quick' as const)),
    cue: fc.option(text),
  })
  .map((s) => ({
    ...s,
    // Forward foot only with a stance; a foot that is drawn in has no direction.
    lead: s.stance ? s.lead : null,
    foot: s.foot && s.foot.way === 'draw' ? { ...s.foot, toward: 0 } : s.foot,
  }));

const anyOnly = fc.subarray(['air', 'still target', 'slow, with a partner'], { maxLength: 2 });

export const anyMove: fc.Arbitrary<Move> = fc
  .record({
    notes: fc.array(fc.constantFrom('watch the heel', 'slowly'), { maxLength: 1 }),
    begins: fc.constant([]),
    step: anyStep,
    partner: fc.option(anyStep, { freq: 3 }),
    swaps: fc.boolean(),
    remark: fc.constantFrom('', '', 'as in the hall'),
    variants: fc.array(
      fc.record({
        school: fc.constantFrom('Reed House', 'Sluice Hall'),
        graded: fc.boolean(),
        only: anyOnly,
        step: anyStep,
      }),
      { maxLength: 1 },
    ),
    branches: fc.array(
      fc.record({ when: fc.constant('the attacker steps back'), steps: fc.array(anyStep, { maxLength: 2 }) }),
      { maxLength: 1 },
    ),
    points: fc.array(
      fc.record({
        name: fc.constantFrom('eyes to the left', 'no pause: on at once'),
        felt: fc.boolean(),
        between: fc.boolean(),
        only: anyOnly,
      }),
      { maxLength: 2 },
    ),
  })
  .map((m) => ({
    ...m,
    step: isEmptyStep(m.step) && m.partner === null ? { ...EMPTY_STEP, breath: 'hold' as const } : m.step,
  }));

export const anySequence = (moves: fc.Arbitrary<Move> = anyMove, least = 0): fc.Arbitrary<Sequence> =>
  fc
    .record({
      about: fc.record({
        title: fc.constantFrom('', 'First Causeway'),
        kind: fc.constantFrom(...SEQUENCE_KINDS),
        rank: fc.option(fc.constantFrom('Straw', 'Fern')),
        sectionings: fc.constantFrom([], [{ sectioning: 2, name: 'Old count' }]),
        level: fc.boolean(),
        lineWork: fc.boolean(),
        loop: fc.boolean(),
        apart: fc.boolean(),
        condition: fc.option(fc.constant('set partner')),
        contact: fc.option(fc.constant('soft touch')),
        players: fc.option(fc.integer({ min: 1, max: 12 })),
        seconds: fc.option(fc.integer({ min: 5, max: 3600 })),
        names: fc.constantFrom([], [{ school: 'Reed House', name: 'Mill gate: the long one' }]),
        lineage: fc.constantFrom([], ['Odo Fenwick, until 1988', 'Brae']),
      }),
      moves: fc.array(moves, { maxLength: 8, minLength: least }),
      closing: fc.array(fc.constant('open and close the class'), { maxLength: 1 }),
      cuts: fc.array(
        fc.tuple(fc.nat(7), fc.integer({ min: 1, max: 3 }), fc.constantFrom('Out', 'Home', '1 to 3', '2')),
        {
          maxLength: 3,
        },
      ),
    })
    .map(({ cuts, ...seq }) => {
      const moves = seq.moves.map((m, i) => {
        const own = new Map(cuts.filter(([at]) => at === i).map(([, sectioning, name]) => [sectioning, name]));
        return { ...m, begins: [...own].map(([sectioning, name]) => ({ sectioning, name })) };
      });
      return { ...seq, moves, closing: seq.closing };
    });

/** A sequence from its text; throws on a text with mistakes. */
export function written(textOf: string): Sequence {
  const read = parseSequence(textOf);
  if (!read.ok) throw new Error(read.error.map((e) => `${e.line}:${e.column} ${e.message}`).join('\n'));
  return read.value;
}

/** A word of a library; a strike without anything special unless more is said. */
export const word = (name: string, more: Partial<Word> = {}): Word => ({
  id: name,
  name,
  kind: 'strike',
  zone: null,
  terms: [],
  retired: false,
  geometry: null,
  rank: null,
  ceiling: null,
  ...more,
});
