import type { Past } from './held';
import { UNIT, type Cycle, type CycleCell, type CycleResult } from './model';
import type { PlannedCycle } from './planCycle';
import { problemOf, shortIn, type CycleProblem, type Grid } from './problem';
import { apartIn, spacingOf } from './spacing';

/** A cycle in numbers as it stands: what is over counts as it was had, what was lost had nothing. */
export function problemNow(cycle: Cycle, past: Past): CycleProblem {
  const classes = cycle.classes.map((c) => (past.lost.has(c.id) ? { ...c, off: c.off ?? 'lost' } : c));
  return problemOf({ ...cycle, classes }, past.from, past.had);
}

/** The cells of a cycle as units. */
export function gridNow(cycle: Cycle, past: Past): Grid {
  const cells = new Map(cycle.cells.map((c) => [`${c.row} ${c.class}`, c.minutes]));
  return cycle.rows.map((r) =>
    cycle.classes.map((c, k) =>
      Math.round((k < past.from ? past.had(r.id, c.id) : (cells.get(`${r.id} ${c.id}`) ?? 0)) / UNIT),
    ),
  );
}

const resultOf = (p: PlannedCycle, stopped: boolean): CycleResult => ({
  short: p.short * UNIT,
  shortAtLeast: p.shortAtLeast === null ? null : p.shortAtLeast * UNIT,
  apart: p.apart,
  apartAtLeast: p.apartAtLeast,
  stopped,
});

/**
 * A cycle with what was found: cells to come anew, those of what is over as they were planned. `why` it was planned again:
 * then the plan there was is kept beside it, so that what moved can be seen; null: what stands beside it stays.
 */
export function withPlan(
  cycle: Cycle,
  past: Past,
  found: PlannedCycle,
  { stopped = false, why = null }: { stopped?: boolean; why?: string | null } = {},
): Cycle {
  const over = new Set(cycle.classes.slice(0, past.from).map((c) => c.id));
  const pinned = new Set(cycle.cells.filter((c) => c.pinned).map((c) => `${c.row} ${c.class}`));
  const cells: CycleCell[] = cycle.cells.filter((c) => over.has(c.class));
  cycle.rows.forEach((r, i) =>
    cycle.classes.forEach((c, k) => {
      const isPinned = pinned.has(`${r.id} ${c.id}`);
      const units = found.grid[i]![k]!;
      if (k >= past.from && (units > 0 || isPinned))
        cells.push({ row: r.id, class: c.id, minutes: units * UNIT, pinned: isPinned });
    }),
  );
  return {
    ...cycle,
    cells,
    result: resultOf(found, stopped),
    before: why === null ? cycle.before : { why, cells: cycle.cells },
  };
}

/** A cycle that somebody changes by hand: what was proven of the plan before is proven of it no more. */
export const unproven = (cycle: Cycle): Cycle =>
  cycle.result ? { ...cycle, result: { ...cycle.result, shortAtLeast: null, apartAtLeast: null } } : cycle;

/** Minutes of the cells of a class that was lost, and how many of them the plan has found another place for. */
export function foundAgain(cycle: Cycle, past: Past, classId: string): { lost: number; found: number } {
  const lost = cycle.cells.reduce((n, c) => n + (c.class === classId ? c.minutes : 0), 0);
  // Short now, beyond what was short before it was lost.
  const of = (cells: readonly CycleCell[]) => {
    const had = new Map<string, number>();
    for (const c of cells) had.set(c.row, (had.get(c.row) ?? 0) + c.minutes);
    return cycle.rows.reduce((n, r) => n + Math.max(0, r.minutes - (had.get(r.id) ?? 0)), 0);
  };
  const more = shortIn(problemNow(cycle, past), gridNow(cycle, past)) * UNIT - of(cycle.before?.cells ?? cycle.cells);
  return { lost, found: Math.max(0, Math.min(lost, lost - more)) };
}

/** Cells to come that are others than in the plan before: moved in, longer or shorter, and left out. */
export function movedIn(cycle: Cycle, past: Past): { cells: Set<string>; gone: CycleCell[]; classes: number } {
  const none = { cells: new Set<string>(), gone: [], classes: 0 };
  if (!cycle.before) return none;
  const toCome = new Set(cycle.classes.slice(past.from).map((c) => c.id));
  const was = new Map(cycle.before.cells.map((c) => [`${c.row} ${c.class}`, c.minutes]));
  const is = new Map(cycle.cells.map((c) => [`${c.row} ${c.class}`, c.minutes]));
  const cells = new Set(
    cycle.cells
      .filter((c) => toCome.has(c.class) && c.minutes > 0 && was.get(`${c.row} ${c.class}`) !== c.minutes)
      .map((c) => `${c.row} ${c.class}`),
  );
  const gone = cycle.before.cells.filter(
    (c) => toCome.has(c.class) && c.minutes > 0 && (is.get(`${c.row} ${c.class}`) ?? 0) === 0,
  );
  const classes = new Set([...[...cells].map((k) => k.split(' ').at(-1)!), ...gone.map((c) => c.class)]).size;
  return { cells, gone, classes };
}

/** A cell with other minutes, or pinned: 0 and not pinned takes it out. */
export function withCell(cycle: Cycle, row: string, cls: string, minutes: number, pinned: boolean): Cycle {
  const rest = cycle.cells.filter((c) => !(c.row === row && c.class === cls));
  return {
    ...cycle,
    cells: minutes === 0 && !pinned ? rest : [...rest, { row, class: cls, minutes: Math.max(0, minutes), pinned }],
  };
}

/** What a class that is over had of a row, put right by hand. */
export const withHad = (cycle: Cycle, row: string, cls: string, minutes: number): Cycle => ({
  ...cycle,
  righted: [...cycle.righted.filter((c) => !(c.row === row && c.class === cls)), { row, class: cls, minutes }],
});

/** A stretch in which a row was to come and does not: between two of its cells lies more than its gap. Classes by place. */
export interface ApartTooLong {
  row: string;
  from: number;
  to: number;
}

/** Where rows lie too far apart, neighbouring windows joined to one stretch; new rows that do not come back soon too. */
export function apartBetween(cycle: Cycle, past: Past): ApartTooLong[] {
  const p = problemNow(cycle, past);
  const out: ApartTooLong[] = [];
  for (const a of apartIn(spacingOf(p), gridNow(cycle, past))) {
    if (a.row === null) continue;
    const row = cycle.rows[a.row]!.id;
    const [from, to] = [a.cells[0]![1], a.cells.at(-1)![1]];
    const last = out.findLast((x) => x.row === row && x.to >= from - 1 && x.from <= to);
    if (last) {
      last.from = Math.min(last.from, from);
      last.to = Math.max(last.to, to);
    } else out.push({ row, from, to });
  }
  return out;
}

/** Classes to come in which there are no basics at all although there could be. */
export const withoutBasics = (cycle: Cycle, past: Past): string[] => {
  const p = problemNow(cycle, past);
  return apartIn(spacingOf(p), gridNow(cycle, past)).flatMap((a) =>
    a.why === 'basics' ? [cycle.classes[a.cells[0]![1]]!.id] : [],
  );
};
