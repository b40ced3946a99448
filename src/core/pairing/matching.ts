import blossom from 'edmonds-blossom-fixed';

/** A possible pair of `i` and `j`, with what it is worth; a whole number. */
export type Edge = readonly [i: number, j: number, worth: number];

/**
 * As many pairs as there can be, and of all such ways the one that is worth most (Edmonds 1965, by Galil's way; the package is
 * checked against brute force). For each of `n` its mate; -1: nobody.
 */
export function matchAll(n: number, edges: readonly Edge[]): number[] {
  const mates = blossom(
    edges.map(([i, j, w]) => [i, j, w]),
    true,
  );
  return Array.from({ length: n }, (_, i) => mates[i] ?? -1);
}

/** The pairs that are worth most together, however many: only what is worth more than nothing is made. */
export function matchBest(n: number, edges: readonly Edge[]): number[] {
  const mates = blossom(edges.filter(([, , w]) => w > 0).map(([i, j, w]) => [i, j, w]));
  return Array.from({ length: n }, (_, i) => mates[i] ?? -1);
}
