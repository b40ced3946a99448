import type { Random } from '../units/random';

/** Where a figure may lie, 95 in 100. */
export interface Between {
  lo: number;
  hi: number;
}

/**
 * Draws the candidates again and again with repetition and gives the middle 95 in 100 of what the figure then is. Draws in
 * which it cannot be reckoned are passed over; null where that is more than half of them.
 */
export const bootstrap = <T>(
  candidates: readonly T[],
  figure: (drawn: readonly T[]) => number | null,
  dice: Random,
  times = 400,
): Between | null =>
  bootstrapAll(
    candidates,
    1,
    (drawn) => {
      const x = figure(drawn);
      return x === null ? null : [x];
    },
    dice,
    times,
  )[0]!;

/** The same of several figures by the same draws. */
export function bootstrapAll<T>(
  candidates: readonly T[],
  many: number,
  figures: (drawn: readonly T[]) => readonly number[] | null,
  dice: Random,
  times = 400,
): (Between | null)[] {
  const found = Array.from({ length: many }, (): number[] => []);
  for (let i = 0; i < times; i += 1) {
    const drawn = candidates.map(() => candidates[Math.floor(dice() * candidates.length)]!);
    const xs = figures(drawn);
    if (xs !== null) for (let k = 0; k < many; k += 1) found[k]!.push(xs[k]!);
  }
  return found.map((of) => {
    if (of.length * 2 < times) return null;
    of.sort((a, b) => a - b);
    const at = (q: number) => of[Math.min(of.length - 1, Math.max(0, Math.round(q * (of.length - 1))))]!;
    return { lo: at(0.025), hi: at(0.975) };
  });
}
