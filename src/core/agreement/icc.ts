/** The six intraclass correlations of Shrout and Fleiss, and the mean squares they come from. */
export interface Icc {
  icc11: number;
  icc21: number;
  icc31: number;
  icc1k: number;
  icc2k: number;
  icc3k: number;
  betweenTargets: number;
  within: number;
  betweenJudges: number;
  residual: number;
}

/**
 * Intraclass correlations of measures: a row a target, a column a judge, every cell filled; at least two of each. Null
 * where the targets do not differ at all. Source: Shrout and Fleiss 1979, Psychological Bulletin 86(2).
 */
export function icc(matrix: readonly (readonly number[])[]): Icc | null {
  const n = matrix.length;
  const k = matrix[0]?.length ?? 0;
  if (n < 2 || k < 2) return null;
  const mean = (xs: readonly number[]) => xs.reduce((s, x) => s + x, 0) / xs.length;
  const all = mean(matrix.flat());
  const rows = matrix.map(mean);
  const columns = Array.from({ length: k }, (_, j) => mean(matrix.map((r) => r[j]!)));
  const squares = (xs: readonly number[]) => xs.reduce((s, x) => s + (x - all) ** 2, 0);
  const total = squares(matrix.flat());
  const targets = k * squares(rows);
  const judges = n * squares(columns);
  const [b, j] = [targets / (n - 1), judges / (k - 1)];
  const w = (total - targets) / (n * (k - 1));
  const e = (total - targets - judges) / ((n - 1) * (k - 1));
  if (b < 1e-12) return null;
  return {
    icc11: (b - w) / (b + (k - 1) * w),
    icc21: (b - e) / (b + (k - 1) * e + (k * (j - e)) / n),
    icc31: (b - e) / (b + (k - 1) * e),
    icc1k: (b - w) / b,
    icc2k: (b - e) / (b + (j - e) / n),
    icc3k: (b - e) / b,
    betweenTargets: b,
    within: w,
    betweenJudges: j,
    residual: e,
  };
}
