import { useMemo } from 'react';
import {
  apartBetween,
  gridNow,
  movedIn,
  pinTroubles,
  problemNow,
  roomOf,
  shortOf,
  UNIT,
  withoutBasics,
  type Cycle,
  type Past,
} from '../../core';
import type { Drawn } from './CycleChart';

/** How weeks stand: what is drawn, what is short, where rows lie too far apart, which pins go against something. */
export function useStand(cycle: Cycle, past: Past) {
  return useMemo(() => {
    const p = problemNow(cycle, past);
    const grid = gridNow(cycle, past);
    const moved = movedIn(cycle, past);
    const rowAt = new Map(cycle.rows.map((r, i) => [r.id, i]));
    const classAt = new Map(cycle.classes.map((c, k) => [c.id, k]));
    const planned = new Map(cycle.cells.map((c) => [`${c.row} ${c.class}`, c.minutes]));
    const drawn: Drawn = {
      minutes: (r, c) => (grid[rowAt.get(r) ?? -1]?.[classAt.get(c) ?? -1] ?? 0) * UNIT,
      lost: (r, c) => (past.lost.has(c) ? (planned.get(`${r} ${c}`) ?? 0) : 0),
      pinned: new Set(cycle.cells.filter((c) => c.pinned).map((c) => `${c.row} ${c.class}`)),
      moved: moved.cells,
      short: new Map(cycle.rows.map((r, i) => [r.id, shortOf(p, grid, i) * UNIT])),
    };
    const shorts = cycle.rows
      .map((r) => ({ id: r.id, name: r.name, short: drawn.short.get(r.id) ?? 0 }))
      .filter((x) => x.short > 0)
      .sort((a, b) => b.short - a.short);
    const spare = cycle.classes
      .slice(past.from)
      .reduce((n, c, k) => n + roomOf(c, cycle.rules) - grid.reduce((m, g) => m + g[past.from + k]! * UNIT, 0), 0);
    return {
      drawn,
      moved,
      shorts,
      spare,
      short: shorts.reduce((n, x) => n + x.short, 0),
      needs: cycle.rows.reduce((n, r) => n + r.minutes, 0),
      apart: apartBetween(cycle, past),
      bare: withoutBasics(cycle, past),
      troubles: pinTroubles(cycle, p, grid),
      hadOf: (row: string) => (grid[rowAt.get(row) ?? -1] ?? []).slice(0, past.from).reduce((n, x) => n + x, 0) * UNIT,
    };
  }, [cycle, past]);
}
export type Stand = ReturnType<typeof useStand>;
