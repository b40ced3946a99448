import type { Range } from '../../technique/point';

/** What is asked of a student otherwise than of the others, in words: "40 to 70 accepted", "60 in 100 asked". */
export const adaptedInWords = (a: { range: Range | null; share: number | null }): string =>
  a.range ? `${a.range.lo} to ${a.range.hi} accepted` : `${Math.round((a.share ?? 0) * 100)} in 100 asked`;
