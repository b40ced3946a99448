export type AlphaLevel = 'nominal' | 'ordinal' | 'interval' | 'ratio';

/**
 * Krippendorff's alpha: a row a rater, a column a unit, null where a rater did not see it. Units that fewer than two saw
 * are left out. Null where nothing can be compared, or where all that was seen is alike. Values are numbers; of the nominal
 * level they are only told apart. Source: Krippendorff 2011, Computing Krippendorff's Alpha-Reliability.
 */
export function krippendorffAlpha(
  rows: readonly (readonly (number | null)[])[],
  level: AlphaLevel = 'nominal',
): number | null {
  const width = Math.max(0, ...rows.map((r) => r.length));
  const units = Array.from({ length: width }, (_, u) =>
    rows.map((r) => r[u] ?? null).filter((x): x is number => x !== null),
  ).filter((u) => u.length > 1);
  const values = [...new Set(units.flat())].sort((a, b) => a - b);
  const count = new Map(values.map((x) => [x, 0]));
  for (const u of units) for (const x of u) count.set(x, count.get(x)! + 1);
  const total = units.reduce((s, u) => s + u.length, 0);
  const apart = distanceBy(level, values, count);
  const observed = units.reduce((sum, u) => {
    let within = 0;
    for (const a of u) for (const b of u) within += apart(a, b);
    return sum + within / (u.length - 1);
  }, 0);
  let expected = 0;
  for (const a of values) for (const b of values) expected += count.get(a)! * count.get(b)! * apart(a, b);
  if (total < 2 || expected < 1e-12) return null;
  return 1 - ((total - 1) * observed) / expected;
}

function distanceBy(
  level: AlphaLevel,
  values: readonly number[],
  count: ReadonlyMap<number, number>,
): (a: number, b: number) => number {
  if (level === 'nominal') return (a, b) => (a === b ? 0 : 1);
  if (level === 'interval') return (a, b) => (a - b) ** 2;
  if (level === 'ratio') return (a, b) => (a + b === 0 ? 0 : ((a - b) / (a + b)) ** 2);
  // Ordinal: how many values lie between, half of both ends.
  const before = new Map<number, number>();
  let sum = 0;
  for (const x of values) {
    before.set(x, sum + count.get(x)! / 2);
    sum += count.get(x)!;
  }
  return (a, b) => (before.get(a)! - before.get(b)!) ** 2;
}
