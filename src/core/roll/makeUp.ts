import type { FitPart } from '../floor/room';

/** A sequence that somebody knows, as a way to make a technique up alone. */
export interface KnownDrill {
  title: string;
  counts: number;
  /** The counts at which the technique is done, 1 the first, in order. */
  at: readonly number[];
  /** The longest run of counts that fits the floor there is; null where not even one does. */
  fits: FitPart | null;
}

export interface MakeUpDrill extends FitPart {
  title: string;
  whole: boolean;
  /** Where in it the technique is done. */
  at: readonly number[];
}

/** Two counts to come into it, one to come out of it. */
const [BEFORE, AFTER] = [2, 1];

/**
 * The drill by which a missed technique is made up alone: of what the student knows, that passage within their floor in
 * which it comes most often; the shorter one, then by name. Null where it occurs in nothing that they know and have room
 * for.
 */
export function makeUpDrill(known: readonly KnownDrill[]): MakeUpDrill | null {
  const passages = known.flatMap((d): MakeUpDrill[] => {
    const { fits } = d;
    if (!fits) return [];
    const at = d.at.filter((n) => n >= fits.from && n <= fits.to);
    if (at.length === 0) return [];
    const from = Math.max(fits.from, at[0]! - BEFORE);
    const to = Math.min(fits.to, at.at(-1)! + AFTER);
    return [{ title: d.title, from, to, whole: from === 1 && to === d.counts, at }];
  });
  const length = (p: FitPart) => p.to - p.from + 1;
  return (
    passages.sort(
      (a, b) =>
        b.at.length / length(b) - a.at.length / length(a) || length(a) - length(b) || a.title.localeCompare(b.title),
    )[0] ?? null
  );
}
