/** A place in a list or a grid: rows down, columns across, from 0. */
export interface Cell {
  row: number;
  column: number;
}

/** How far one may go. What is left out is not gone along: a list has rows only, a rod columns only. */
export interface Cells {
  rows?: number;
  columns?: number;
  /** The first column: −1 where a name stands before the others. */
  first?: -1 | 0;
  /** Past the last comes the first again. */
  round?: boolean;
}

/**
 * Where a key leads: arrows to the neighbour, Home and End to the ends of the row, or of a list. At an edge one stays, or
 * goes round. Null: the key does not move, and is somebody else's.
 */
export function stepTo(key: string, at: Cell, { rows, columns, first = 0, round = false }: Cells): Cell | null {
  const along = (n: number, from: number, many: number) =>
    round
      ? ((((n - from) % (many - from)) + (many - from)) % (many - from)) + from
      : Math.max(from, Math.min(many - 1, n));
  const down = (n: number) => (rows ? { ...at, row: along(n, 0, rows) } : null);
  const across = (n: number) => (columns ? { ...at, column: along(n, first, columns) } : null);
  if (key === 'ArrowDown') return down(at.row + 1);
  if (key === 'ArrowUp') return down(at.row - 1);
  if (key === 'ArrowRight') return across(at.column + 1);
  if (key === 'ArrowLeft') return across(at.column - 1);
  if (key === 'Home') return columns === undefined ? down(0) : across(first);
  if (key === 'End') return columns === undefined ? down((rows ?? 1) - 1) : across(columns - 1);
  return null;
}

/** The part of a key event that moving needs, of React's and of the page's own. */
type Key = Pick<KeyboardEvent, 'key' | 'altKey' | 'ctrlKey' | 'metaKey' | 'preventDefault'>;

/**
 * Moves through a list or a grid that Tab reaches at one place: tells where one is now, and puts the focus there. True: the
 * key was taken. Keys with Alt, Ctrl or Meta are left alone.
 */
export function roving(
  e: Key,
  at: Cell,
  cells: Cells,
  go: (to: Cell) => void,
  elementOf?: (to: Cell) => HTMLElement | null | undefined,
): boolean {
  const to = e.altKey || e.ctrlKey || e.metaKey ? null : stepTo(e.key, at, cells);
  if (!to) return false;
  e.preventDefault();
  go(to);
  elementOf?.(to)?.focus();
  return true;
}
