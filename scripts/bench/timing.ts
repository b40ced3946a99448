export const median = (list: readonly number[]): number =>
  [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)] ?? Number.NaN;
export const quantile = (list: readonly number[], q: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(list.length * q))] ?? Number.NaN;

/** Milliseconds that something takes. */
export async function timed(work: () => Promise<unknown>): Promise<number> {
  const t = performance.now();
  await work();
  return performance.now() - t;
}
