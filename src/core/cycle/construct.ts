import { classesFor, firstIn } from './spacing';
import { fixedGrid, worksAt, type CycleProblem, type Grid } from './problem';

/** What is left of each class while a plan is made: room of each group, load, and how many new things it has. */
class Left {
  readonly room: number[][];
  readonly load: number[];
  readonly fresh: number[];
  constructor(
    readonly p: CycleProblem,
    readonly grid: number[][],
  ) {
    this.room = p.room.map((n) => Array.from({ length: p.groups }, () => n));
    this.load = [...p.load];
    this.fresh = p.room.map(() => 0);
    grid.forEach((row, i) => {
      row.forEach((n, k) => k >= p.from && n > 0 && this.take(i, k, n));
      const first = firstIn(grid, i);
      if (p.rows[i]!.fresh && first >= p.from) this.fresh[first]! += 1;
    });
  }
  take(i: number, k: number, units: number) {
    const r = this.p.rows[i]!;
    this.room[k] = this.room[k]!.map((n, g) => (worksAt(r, g) ? n - units : n));
    this.load[k]! -= units * r.heavy;
  }
  /** The most units of a row a class can still give. */
  most(i: number, k: number): number {
    const r = this.p.rows[i]!;
    const groups = r.group === null ? this.room[k]! : [this.room[k]![r.group]!];
    return Math.min(...groups, Math.floor(this.load[k]! / r.heavy));
  }
}

const upTo = (row: readonly number[], k: number) => {
  let n = 0;
  for (let x = 0; x < k; x += 1) n += row[x]!;
  return n;
};

/** Whether a row is opened by what was had before a class. */
const isOpened = (p: CycleProblem, grid: Grid, i: number, k: number) =>
  p.rows[i]!.opens.every((o) => upTo(grid[o.on]!, k) >= o.units);

/** A plan in the making: what it has so far and what may still be given. */
class Making {
  readonly left: Left;
  readonly total: number[];
  readonly may: number[][];
  constructor(
    readonly p: CycleProblem,
    readonly grid: number[][],
  ) {
    this.left = new Left(p, grid);
    this.total = grid.map((row) => row.reduce((n, x) => n + x, 0));
    this.may = p.rows.map((_, i) => classesFor(p, i));
  }
  give(i: number, k: number, units: number) {
    if (this.grid[i]![k] === 0 && this.p.rows[i]!.fresh && this.total[i] === 0) this.left.fresh[k]! += 1;
    this.left.take(i, k, units);
    this.grid[i]![k]! += units;
    this.total[i]! += units;
  }
  mayBegin(i: number, k: number): boolean {
    const { p, grid, left } = this;
    const r = p.rows[i]!;
    if (grid[i]![k] !== 0 || p.fixed[i]![k] !== null || !r.open[k] || left.most(i, k) < r.least) return false;
    if (r.fresh) {
      const first = firstIn(grid, i);
      if (first < 0 ? left.fresh[k]! >= p.newThings : first > k) return false;
    }
    return isOpened(p, grid, i, k);
  }
}

/**
 * A whole plan at once, class by class: what is most overdue first, then what has most left to do; then what is left of the
 * classes goes to what is short. It keeps every rule; how good it is shows itself when it is bettered.
 */
export function firstPlan(p: CycleProblem): number[][] {
  const m = new Making(p, fixedGrid(p));
  const { grid, total, may, left } = m;
  // What opens others is wanted early, as long as it has not opened them.
  const wanted = p.rows.map((_, i) => p.rows.flatMap((r) => r.opens.filter((o) => o.on === i).map((o) => o.units)));
  for (let k = p.from; k < p.room.length; k += 1) {
    let basics = p.rows.some((r, i) => r.basics && grid[i]![k]! > 0);
    for (;;) {
      let best = -1;
      let bestScore = 0;
      for (let i = 0; i < p.rows.length; i += 1) {
        const r = p.rows[i]!;
        if (!m.mayBegin(i, k)) continue;
        const coming = may[i]!.filter((c) => c >= k);
        const last = grid[i]!.findLastIndex((n, c) => c < k && n > 0);
        const since = last < 0 ? (r.fresh ? 0 : r.gap) : may[i]!.filter((c) => c > last && c <= k).length;
        const open = r.need - total[i]!;
        const comes = grid[i]!.filter((n, c) => c < k && n > 0).length;
        const gap = r.fresh && last >= 0 ? Math.min(r.gap, p.growing[comes - 1] ?? r.gap) : r.gap;
        const due = since >= gap ? 3 : since / gap;
        if (open <= 0 && due < 3) continue;
        const opensMore = Math.max(0, ...wanted[i]!) > total[i]! ? 0.8 : 0;
        const pressed = open > 0 ? open / Math.max(1, r.most * coming.length) : 0;
        const score = due + 2 * pressed + opensMore + (r.basics && !basics ? 4 : 0) + (open > 0 ? 1 : 0);
        if (score > bestScore) [best, bestScore] = [i, score];
      }
      if (best < 0) break;
      const r = p.rows[best]!;
      const coming = Math.max(1, Math.ceil(may[best]!.filter((c) => c >= k).length / r.gap));
      const each = Math.ceil(Math.max(0, r.need - total[best]!) / coming);
      m.give(best, k, Math.min(left.most(best, k), r.most, Math.max(r.least, each)));
      if (r.basics) basics = true;
    }
  }
  fill(m);
  return grid;
}

/** As much of a plan that is known as still keeps every rule, and what became free given to what is short. */
export function repaired(p: CycleProblem, known: Grid): number[][] {
  const m = new Making(p, fixedGrid(p));
  for (let k = p.from; k < p.room.length; k += 1)
    p.rows.forEach((r, i) => {
      const n = Math.min(known[i]?.[k] ?? 0, r.most, m.left.most(i, k));
      if (n >= r.least && m.mayBegin(i, k)) m.give(i, k, n);
    });
  fill(m);
  return m.grid;
}

/** What is still short grows where there is room, and begins where there is room for it. */
function fill(m: Making) {
  const { p, grid, total, left } = m;
  const short = (i: number) => p.rows[i]!.need - total[i]!;
  const byShort = p.rows.map((_, i) => i).sort((a, b) => short(b) - short(a));
  for (const i of byShort) {
    const r = p.rows[i]!;
    for (let k = p.from; k < p.room.length && short(i) > 0; k += 1)
      if (grid[i]![k]! > 0 && p.fixed[i]![k] === null) {
        const more = Math.min(short(i), r.most - grid[i]![k]!, left.most(i, k));
        if (more > 0) m.give(i, k, more);
      }
    for (let k = p.from; k < p.room.length && short(i) > 0; k += 1)
      if (m.mayBegin(i, k)) m.give(i, k, Math.min(r.most, left.most(i, k), Math.max(r.least, short(i))));
  }
}

/** What a plan breaks of what every plan keeps, in words for whoever reads a failing test; null: nothing. */
export function brokenIn(p: CycleProblem, grid: Grid): string | null {
  const left = new Left(
    p,
    grid.map((row) => [...row]),
  );
  for (let k = p.from; k < p.room.length; k += 1) {
    if (left.room[k]!.some((n) => n < 0)) return `class ${k} is too full`;
    if (left.load[k]! < 0) return `class ${k} is too heavy`;
    if (left.fresh[k]! > Math.max(p.newThings, 0) && !pinnedFirsts(p, grid, k))
      return `class ${k} has too many new things`;
  }
  for (const [i, r] of p.rows.entries())
    for (const [k, n] of grid[i]!.entries()) {
      const fixed = p.fixed[i]![k];
      if (fixed !== null) {
        if (n !== fixed) return `row ${i} in class ${k} was to stay ${fixed}`;
        continue;
      }
      if (n === 0) continue;
      if (!Number.isInteger(n) || n < r.least || n > r.most) return `row ${i} has ${n} in class ${k}`;
      if (!r.open[k]) return `row ${i} does not come in class ${k}`;
      if (!isOpened(p, grid, i, k)) return `row ${i} is not opened in class ${k}`;
    }
  return null;
}

/** More new things than a class may have are there only where pins bring them. */
const pinnedFirsts = (p: CycleProblem, grid: Grid, k: number): boolean =>
  p.rows.every((r, i) => !r.fresh || firstIn(grid, i) !== k || p.fixed[i]![k] !== null);
