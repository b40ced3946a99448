import type { Standard } from '../syllabus/standard';
import type { Entry } from './looks';
import { dayLimit, qualifies, takeWindow, type Asked, type Window } from './window';

/** A full window as it stood on the evening of one day; `day` is a day number. */
export interface Stood {
  day: number;
  held: number;
  of: number;
}

/** Where a point on one side stands: its newest window, since when it is shown, or when it was lost. */
export interface PointState {
  window: Window;
  /** The newest day on which as much held as is asked; null: it is not shown, or was lost. */
  shown: Stood | null;
  /** Shown once, and on this day held less than a shown point may; null where it is shown, or never was. */
  lost: { shown: Stood; fell: Stood } | null;
}

const TINY = 1e-9;
/** So much less than asked may hold before what was shown is lost: half as much where failing can hurt. */
const SLACK = 0.2;
const CRITICAL_SLACK = 0.1;

/** The share of a full window under which a shown point is lost. */
export const lostUnder = (share: number, critical: boolean): number =>
  Math.max(0, share - (critical ? CRITICAL_SLACK : SLACK));

/**
 * Whether a point is shown. It is shown on a day on which its window is full and the share asked is held; it stays shown
 * while every later full window holds no less than `lostUnder`, and no longer than the standard's fresh days pass between
 * two looks. Nothing here depends on today: whether the newest look is still fresh is asked by the caller.
 *
 * @param entries newest first
 */
export function pointState(
  entries: readonly Entry[],
  s: Pick<Standard, 'repetitions' | 'days' | 'freshDays'>,
  share: number,
  critical: boolean,
  asked: Asked,
): PointState {
  const n = s.repetitions;
  const perDay = dayLimit(s);
  const window = takeWindow(entries, n, perDay, asked);
  const lost = lostUnder(share, critical);
  let later = Number.NaN;
  let fell: Stood | null = null;
  // From the newest day back: the first window that held enough settles it, unless one after it fell too low.
  for (let i = 0; i < entries.length; i += 1) {
    const { day } = entries[i]!;
    if (day === later || !qualifies(entries[i]!, asked)) continue;
    if (later - day > s.freshDays) break;
    const w = i === 0 ? window : takeWindow(entries, n, perDay, asked, i);
    // What lies before an unfilled window is emptier still.
    if (w.of < n - TINY) break;
    const stood = { day, held: w.held, of: w.of };
    if (w.held >= share * n - TINY)
      return fell ? { window, shown: null, lost: { shown: stood, fell } } : { window, shown: stood, lost: null };
    if (w.held < lost * n - TINY) fell = stood;
    later = day;
  }
  return { window, shown: null, lost: null };
}
