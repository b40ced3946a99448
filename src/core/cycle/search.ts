import type { Random } from '../units/random';
import type { Solve } from '../solver/solve';
import { brokenIn } from './construct';
import { shortIn, shortOf, type CycleProblem, type Grid } from './problem';
import { columnsOf, gridOf, programmeOf, type Ask } from './programme';
import { apartIn, type Asked } from './spacing';

type Free = (i: number, k: number) => boolean;

/** So long a part is solved at most, and between these times (in seconds) it is as large as it should be. */
const SECONDS = 1.5;
const [QUICK, SLOW] = [0.3, 1];

/** Betters a plan by solving parts of it anew; parts grow while they are solved quickly. */
export class Search {
  private classes = 5;
  private rows = 5;
  private turn = 0;
  constructor(
    readonly p: CycleProblem,
    readonly asked: readonly Asked[],
    readonly solve: Solve,
    readonly dice: Random,
    readonly clock: () => number,
  ) {}

  /** How many cells there may be. */
  get size(): number {
    return this.p.rows.reduce((n, r) => n + r.open.filter((o, k) => o && k >= this.p.from).length, 0);
  }

  /** Solves what is asked, whole or in part, from a plan that keeps every rule; null: it found nothing of the kind. */
  solved(grid: Grid, ask: Ask, seconds: number, gap = 0): { grid: number[][] | null; bound: number | null } {
    const { p, asked } = this;
    const found = this.solve(programmeOf(p, asked, ask), { seconds, gap, start: columnsOf(p, asked, grid) });
    if (!found.columns) return { grid: null, bound: found.bound };
    let next = gridOf(p, found.columns, ask.keep);
    if (next.some((row) => row.some((n) => !Number.isInteger(n)))) {
      // Load and groups can part a unit: with the cells as they are the minutes are found once more, whole.
      const cells = next;
      const whole = this.solve(
        programmeOf(p, asked, {
          aim: 'minutes',
          whole: true,
          keep: cells,
          free: (i, k) => cells[i]![k]! > 0 && (ask.free?.(i, k) ?? true),
        }),
        { seconds: SECONDS, gap: 0 },
      );
      if (!whole.columns) return { grid: null, bound: found.bound };
      next = gridOf(p, whole.columns, cells);
    }
    return { grid: brokenIn(p, next) === null ? next : null, bound: found.bound };
  }

  /** A part of the plan, by turns some classes beside each other or some rows, about what is wrong with the plan. */
  private part(grid: Grid): { free: Free; told: (seconds: number) => void } {
    const { p, dice } = this;
    const pick = (n: number) => Math.floor(dice() * n);
    const wrong = apartIn(this.asked, grid);
    this.turn += 1;
    if (this.turn % 3 === 0) {
      const poor = [
        ...new Set([
          ...wrong.flatMap((a) => (a.row === null ? [] : [a.row])),
          ...p.rows.flatMap((_, i) => (shortOf(p, grid, i) > 0 ? [i] : [])),
        ]),
      ];
      const rows = new Set<number>();
      const most = Math.min(p.rows.length, Math.round(this.rows));
      for (let n = 0; n < 3 && poor.length > 0; n += 1) rows.add(poor[pick(poor.length)]!);
      while (rows.size < most) rows.add(pick(p.rows.length));
      return {
        free: (i) => rows.has(i),
        told: (s) => (this.rows = s < QUICK ? this.rows + 1 : s > SLOW ? Math.max(3, this.rows - 1) : this.rows),
      };
    }
    const to = p.room.length;
    const wide = Math.min(to - p.from, Math.max(2, Math.round(this.classes + dice() * 2 - 1)));
    const about = wrong.length > 0 && dice() < 0.8 ? wrong[pick(wrong.length)]!.cells : [];
    const middle = about[Math.floor(about.length / 2)]?.[1] ?? p.from + pick(to - p.from);
    const at = Math.max(p.from, Math.min(to - wide, middle - Math.floor(wide / 2) + pick(3) - 1));
    return {
      free: (_, k) => k >= at && k < at + wide,
      told: (s) =>
        (this.classes =
          s < QUICK ? Math.min(16, this.classes + 0.5) : s > SLOW ? Math.max(3, this.classes - 0.7) : this.classes),
    };
  }

  /** One part solved anew; what came of it where it is no worse by `worth`, else the plan itself. */
  step(grid: Grid, ask: Omit<Ask, 'free' | 'keep'>, worth: (g: Grid) => readonly number[]): Grid {
    const { free, told } = this.part(grid);
    const begun = this.clock();
    const { grid: next } = this.solved(grid, { ...ask, free, keep: grid }, SECONDS, 0.005);
    told(this.clock() - begun);
    return next && before(worth(next), worth(grid)) ? next : grid;
  }
}

/** Whether one worth comes before another: by its first number, then by the next. */
export function before(a: readonly number[], b: readonly number[]): boolean {
  for (const [i, x] of a.entries()) if (Math.abs(x - b[i]!) > 1e-9) return x < b[i]!;
  return false;
}

/** How many cells there are, and how many of a plan that is known are others now. */
export function changesOf(p: CycleProblem, grid: Grid, known: Grid | null): number {
  let n = 0;
  for (let k = p.from; k < p.room.length; k += 1)
    grid.forEach((row, i) => {
      if (row[k]! > 0) n += 1;
      if (known && (known[i]?.[k] ?? 0) > 0 !== row[k]! > 0) n += 2;
    });
  return n;
}

export const shortAndApart = (p: CycleProblem, asked: readonly Asked[], grid: Grid): [number, number] => [
  shortIn(p, grid),
  apartIn(asked, grid).length,
];
