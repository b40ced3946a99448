import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Chance from outside: each call gives a number from 0 up to 1. */
export type Random = () => number;

/** Seeded chance: the same seed gives the same numbers. */
export function seeded(seed: number): Random {
  const rng = xoroshiro128plus(seed);
  return () => uniformFloat64(rng);
}

/** A seed from a text, so that the same person and day give the same forecast everywhere (FNV-1a). */
export function seedOf(text: string): number {
  let h = 0x811c9dc5;
  for (let i = 0; i < text.length; i += 1) h = Math.imul(h ^ text.charCodeAt(i), 0x01000193);
  return h | 0;
}

/** Seeded chance from a text. */
export const seededBy = (text: string): Random => seeded(seedOf(text));
