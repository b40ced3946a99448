import type { Zone } from '../../units/zone';
import { EMPTY_ABOUT, EMPTY_STEP, moveOf, type BodySide, type Sequence } from '../move';
import { kindInName, NO_WORDS, type Vocabulary } from '../notation/vocabulary';
import { otherBodySide } from './mirror';

export interface LevelPattern {
  /** One technique for fists, another for elbows; each runs through the heights, then both together. */
  techniques: readonly string[];
  /** High, low, middle, high where nothing else is said. */
  zones: readonly Zone[];
  first: BodySide;
  /** Degrees turned on each count, to the right positive; 0 for none. */
  turn: number;
  /** Then everything once more from the other hand. */
  bothHands: boolean;
}

/** High, low, middle, high with alternating hands: who always strikes high is easy to read. Common practice, no source. */
export const COMMON_LEVELS: LevelPattern = {
  techniques: ['punch', 'elbow strike'],
  zones: ['upper', 'lower', 'middle', 'upper'],
  first: 'left',
  turn: 90,
  bothHands: true,
};

/**
 * Fists through the heights, then elbows, then both (hand and elbow of the same side on each count), then the same from
 * the other hand: hands alternate, and every count turns.
 */
export function levelPattern(p: LevelPattern = COMMON_LEVELS, vocabulary: Vocabulary = NO_WORDS): Sequence {
  const sets = p.techniques.length > 1 ? [...p.techniques.map((t) => [t]), [...p.techniques]] : [[...p.techniques]];
  const firsts: BodySide[] = p.bothHands ? [p.first, otherBodySide(p.first)] : [p.first];
  const moves = firsts.flatMap((first) =>
    sets.flatMap((set) =>
      p.zones.map((zone, i) => {
        const side = i % 2 === 0 ? first : otherBodySide(first);
        const step = {
          ...EMPTY_STEP,
          turn:
            p.turn === 0
              ? null
              : { degrees: side === 'left' ? -Math.abs(p.turn) : Math.abs(p.turn), by: 'pivot' as const },
          actions: set.map((name) => ({
            name,
            kind: kindInName(name, vocabulary) ?? ('strike' as const),
            side,
            zone,
            path: null,
            target: null,
          })),
        };
        const begins = i === 0 ? [{ sectioning: 1, name: `${set.join(' and ')}, ${first} first` }] : [];
        return { ...moveOf(step), begins };
      }),
    ),
  );
  return { about: { ...EMPTY_ABOUT, kind: 'combination' }, moves, closing: [] };
}
