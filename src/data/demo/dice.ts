import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { v7 } from 'uuid';

/** Seeded chance: the same seed gives the same school. */
export function dice(seed: number) {
  const rng = xoroshiro128plus(seed);
  const next = () => uniformFloat64(rng);
  return {
    next,
    chance: (p: number) => next() < p,
    between: (lo: number, hi: number) => lo + (hi - lo) * next(),
    whole: (lo: number, hi: number) => lo + Math.floor(next() * (hi - lo + 1)),
    pick: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!,
    /** Box and Muller 1958. */
    normal: (mean: number, sd: number) =>
      mean + sd * Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next()),
    /** An id as a device would have made it at that instant, but from the seed. */
    id: (msecs: number) =>
      v7({
        msecs: Math.floor(msecs),
        seq: Math.floor(next() * 0x7fffffff),
        random: Uint8Array.from({ length: 16 }, () => Math.floor(next() * 256)),
      }),
  };
}
export type Dice = ReturnType<typeof dice>;
