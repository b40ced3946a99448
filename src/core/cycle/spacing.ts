import type { CycleProblem, Grid } from './problem';

/** Cells of which one at least is to be there: (row, class) by place. */
export interface Asked {
  row: number | null;
  cells: readonly (readonly [number, number])[];
  /** Only where the row was introduced in exactly this class, or before it. */
  when: { kind: 'introduced in' | 'introduced before'; at: number } | null;
  why: 'apart' | 'back soon' | 'review' | 'basics';
}

/** Classes in which a row may come, held ones included. */
export const classesFor = (p: CycleProblem, i: number): number[] =>
  p.room.flatMap((room, k) => ((k < p.from ? p.fixed[i]![k]! > 0 || room > 0 : p.rows[i]!.open[k]) ? [k] : []));

/**
 * What spacing asks of a plan: after it began a row comes again within its gap, a new one sooner at first and then in gaps
 * that grow; everything is reviewed before the day; every class has basics. What lies wholly in the past is not asked.
 */
export function spacingOf(p: CycleProblem): Asked[] {
  const out: Asked[] = [];
  p.rows.forEach((r, i) => {
    if (r.need === 0) return;
    const may = classesFor(p, i);
    const cells = (list: readonly number[]) => list.map((k) => [i, k] as const);
    for (let a = 0; a + r.gap <= may.length; a += 1) {
      const window = may.slice(a, a + r.gap);
      if (window.at(-1)! < p.from) continue;
      out.push({
        row: i,
        cells: cells(window),
        when: r.fresh ? { kind: 'introduced before', at: window[0]! } : null,
        why: 'apart',
      });
    }
    if (r.fresh)
      for (const [a, k] of may.entries()) {
        if (k < p.from) continue;
        let next = a + 1;
        for (const g of p.growing) {
          if (next + g > may.length) break;
          out.push({
            row: i,
            cells: cells(may.slice(next, next + g)),
            when: { kind: 'introduced in', at: k },
            why: 'back soon',
          });
          next += g;
        }
      }
    const last = may.filter((k) => k >= p.from).slice(-p.review);
    if (last.length > 0 && p.review < r.gap) out.push({ row: i, cells: cells(last), when: null, why: 'review' });
  });
  const basics = p.rows.flatMap((r, i) => (r.basics && r.need > 0 ? [i] : []));
  if (basics.length > 0)
    for (let k = p.from; k < p.room.length; k += 1) {
      const cells = basics.filter((i) => p.rows[i]!.open[k]).map((i) => [i, k] as const);
      if (cells.length > 0) out.push({ row: null, cells, when: null, why: 'basics' });
    }
  return out;
}

/** The class in which a row comes first; -1: in none. */
export const firstIn = (grid: Grid, i: number): number => grid[i]!.findIndex((n) => n > 0);

/** Whether a plan leaves out what is asked. */
export function leftOut(a: Asked, grid: Grid): boolean {
  if (a.when !== null) {
    const first = firstIn(grid, a.row!);
    if (first < 0 || (a.when.kind === 'introduced in' ? first !== a.when.at : first >= a.when.at)) return false;
  }
  return a.cells.every(([i, k]) => grid[i]![k] === 0);
}

export const apartIn = (asked: readonly Asked[], grid: Grid): Asked[] => asked.filter((a) => leftOut(a, grid));
