import * as v from 'valibot';
import { fail, ok } from '../../units/result';
import { ZONES, type Zone } from '../../units/zone';
import { EMPTY_ABOUT, EMPTY_STEP, moveOf, type BodySide, type Sequence, type Step } from '../move';
import { kindInName, NO_WORDS, type Vocabulary } from '../notation/vocabulary';
import type { OperationKind } from './kind';
import { otherBodySide } from './mirror';
import { nameNow } from './named';
import { netTurn } from './netTurn';

export const TURNING_FEET = ['none', 'same', 'other'] as const;

export interface LevelPattern {
  /** One technique for fists, another for elbows; each runs through the heights, then one after the other. */
  techniques: readonly string[];
  /** High, low, middle, high where nothing else is said. */
  zones: readonly Zone[];
  first: BodySide;
  /** Degrees turned on each count towards the hand that works; 0 for none. */
  turn: number;
  /** Which foot steps with the turn: none (in place), that of the hand, or the other. */
  foot: (typeof TURNING_FEET)[number];
  /** Then everything once more from the other hand. */
  bothHands: boolean;
}

/** As a recipe says it: where no techniques are named, the first two of the parent are taken. */
export type LevelRecipe = Omit<LevelPattern, 'techniques'> & { techniques?: readonly string[] | undefined };

/** High, low, middle, high with alternating hands: who always strikes high is easy to read. Common practice, no source. */
export const COMMON_LEVELS: LevelPattern = {
  techniques: ['punch', 'elbow strike'],
  zones: ['upper', 'lower', 'middle', 'upper'],
  first: 'left',
  turn: 90,
  foot: 'none',
  bothHands: true,
};

/**
 * Fists through the heights, then elbows at the same heights, then at each height the fist and after it the elbow; then
 * the same from the other hand. Hands alternate from count to count, so that no arm does two things in one, and every
 * count turns.
 */
export function levelPattern(p: LevelPattern = COMMON_LEVELS, vocabulary: Vocabulary = NO_WORDS): Sequence {
  const sets = p.techniques.length > 1 ? [...p.techniques.map((t) => [t]), [...p.techniques]] : [[...p.techniques]];
  const firsts: BodySide[] = p.bothHands ? [p.first, otherBodySide(p.first)] : [p.first];
  const moves = firsts.flatMap((first) =>
    sets.flatMap((set) =>
      p.zones
        .flatMap((zone) => set.map((name) => ({ name, zone })))
        .map(({ name, zone }, i) => {
          const side = i % 2 === 0 ? first : otherBodySide(first);
          const degrees = side === 'left' ? -Math.abs(p.turn) : Math.abs(p.turn);
          const foot = p.foot === 'same' ? side : otherBodySide(side);
          const step: Step = {
            ...EMPTY_STEP,
            turn: p.turn === 0 ? null : { degrees, by: p.foot === 'none' ? 'pivot' : 'swing' },
            foot: p.turn === 0 || p.foot === 'none' ? null : { side: foot, way: 'step', toward: 0 },
            actions: [{ name, kind: kindInName(name, vocabulary) ?? 'strike', side, zone, path: null, target: null }],
          };
          const begins = i === 0 ? [{ sectioning: 1, name: `${set.join(' then ')}, ${first} first` }] : [];
          return { ...moveOf(step), begins };
        }),
    ),
  );
  return { about: { ...EMPTY_ABOUT, kind: 'combination' }, moves, closing: [] };
}

export interface LevelsOperation {
  op: 'levels';
  /** None: the usual one, with the first two techniques of the parent. */
  pattern?: LevelRecipe | undefined;
}
export const levelsKind: OperationKind<LevelsOperation> = {
  op: 'levels',
  shape: ({ line, whole }) =>
    v.object({
      op: v.literal('levels'),
      pattern: v.optional(
        v.object({
          techniques: v.optional(v.pipe(v.array(line), v.minLength(1), v.maxLength(4, 'At most four techniques.'))),
          zones: v.pipe(v.array(v.picklist(ZONES)), v.minLength(1), v.maxLength(12, 'At most twelve heights.')),
          first: v.picklist(['left', 'right'], 'A side is left or right.'),
          turn: whole(0, 360, 'A turn'),
          foot: v.picklist(TURNING_FEET),
          bothHands: v.boolean(),
        }),
      ),
    }),
  apply: (seq, o, { vocabulary }) => {
    const own = [...new Set(seq.moves.flatMap((m) => m.step.actions.map((a) => a.name)))].slice(0, 2);
    const names = o.pattern?.techniques?.map((name) => nameNow(name, vocabulary)) ?? own;
    if (names.length === 0) return fail('There is no technique yet to take through the heights.');
    return ok({ ...levelPattern({ ...COMMON_LEVELS, ...o.pattern, techniques: names }, vocabulary), about: seq.about });
  },
  words: () => 'through the heights',
  effects: (_o, _before, after) => {
    const degrees = netTurn(after);
    return degrees === 0
      ? []
      : [`each round leaves one ${Math.abs(degrees)}° to the ${degrees < 0 ? 'left' : 'right'}.`];
  },
};
