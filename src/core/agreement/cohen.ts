/** How often two agreed, how often chance alone would, and kappa; null where chance alone agrees always. */
export interface Kappa {
  kappa: number | null;
  observed: number;
  expected: number;
}

const kappaOf = (observed: number, expected: number): Kappa => ({
  kappa: 1 - expected < 1e-12 ? null : (observed - expected) / (1 - expected),
  observed,
  expected,
});

/**
 * Cohen's kappa of two raters who put the same things into categories: `a` and `b` of one length, at least one thing.
 * Source: Cohen 1960, Educational and Psychological Measurement 20.
 */
export function cohenKappa(a: readonly (string | number)[], b: readonly (string | number)[]): Kappa {
  const n = a.length;
  const share = (of: readonly (string | number)[], c: string | number) => of.filter((x) => x === c).length / n;
  const observed = a.filter((x, i) => x === b[i]).length / n;
  const expected = [...new Set([...a, ...b])].reduce<number>((sum, c) => sum + share(a, c) * share(b, c), 0);
  return kappaOf(observed, expected);
}

/**
 * Fleiss' kappa: a row a subject, a column a category, in each cell how many raters chose it; every row has the same sum,
 * at least two. Source: Fleiss 1971, Psychological Bulletin 76.
 */
export function fleissKappa(table: readonly (readonly number[])[]): Kappa {
  const first = table[0] ?? [];
  const raters = first.reduce((s, x) => s + x, 0);
  const subjects = table.length;
  const observed =
    table.reduce((sum, row) => sum + (row.reduce((s, x) => s + x * x, 0) - raters) / (raters * (raters - 1)), 0) /
    subjects;
  const expected = first.reduce<number>((sum, _, c) => {
    const p = table.reduce((s, row) => s + row[c]!, 0) / (subjects * raters);
    return sum + p * p;
  }, 0);
  return kappaOf(observed, expected);
}
