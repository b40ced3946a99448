/** A number with its unit: degrees and shares close up, others apart. */
export const inUnit = (text: string | number, unit: string | null): string =>
  unit === '°' || unit === '%' ? `${text}${unit}` : unit ? `${text} ${unit}` : String(text);

/** What was measured, each with how far off it may be where that was read with it: "58 ± 3%, 61%". */
export const measuresInWords = (
  values: readonly number[],
  halves: readonly (number | null)[] | null | undefined,
  unit: string | null,
): string =>
  values
    .map((value, i) => {
      const half = halves?.[i] ?? null;
      return inUnit(half === null ? value : `${value} ± ${half}`, unit);
    })
    .join(', ');
