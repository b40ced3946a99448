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
export function bootstrap<T>(
  candidates: readonly T[],
  figure: (drawn: readonly T[]) => number | null,
  dice: Random,
  times = 400,
): Between | null {
  const found: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const drawn = candidates.map(() => candidates[Math.floor(dice() * candidates.length)]!);
    const x = figure(drawn);
    if (x !== null) found.push(x);
  }
  if (found.length * 2 < times) return null;
  found.sort((a, b) => a - b);
  const at = (q: number) => found[Math.min(found.length - 1, Math.max(0, Math.round(q * (found.length - 1))))]!;
  return { lo: at(0.025), hi: at(0.975) };
}
