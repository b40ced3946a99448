import { fold } from '../units/fold';
import type { Sequence } from './move';

/** At most so many conditions are named at one place. */
export const MOST_ONLY = 6;

/** Whether what holds only under some conditions, by their names, holds under this one; none named: under all. */
export const holdsUnder = (only: readonly string[], condition: string): boolean =>
  only.length === 0 || only.some((c) => fold(c) === fold(condition));

/** The sequence as it is under one condition: without variants and places that hold under others alone. */
export const underCondition = (seq: Sequence, condition: string): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => ({
    ...m,
    variants: m.variants.filter((x) => holdsUnder(x.only, condition)),
    points: m.points.filter((p) => holdsUnder(p.only, condition)),
  })),
});
