import type { Range } from '../../core';

/** The step of a measuring key: fifteen degrees, or about a tenth of what is accepted. */
export function stepOf(unit: string | null, accepted: Range): number {
  if (unit === '°') return accepted.hi - accepted.lo >= 60 ? 15 : 5;
  const tenth = (accepted.hi - accepted.lo) / 10;
  const size = 10 ** Math.floor(Math.log10(Math.max(tenth, 0.01)));
  return [1, 2, 5, 10].map((k) => k * size).find((k) => k >= tenth) ?? tenth;
}
