import { addDays, weekdayOf, type PlainDate } from '../units/plainDate';
import type { Past } from './held';
import { inTime, UNIT, type Cycle, type CycleClass } from './model';
import { shortOf, type Grid } from './problem';
import { gridNow, problemNow } from './plan';

/** One thing that might make it fit, as a cycle of its own that can be planned and taken. */
export type Help = { cycle: Cycle } & (
  | { kind: 'open'; day: PlainDate; why: string }
  | { kind: 'one more'; day: PlainDate; minutes: number }
  | { kind: 'longer'; days: readonly PlainDate[]; by: number }
  | { kind: 'shorter frame'; by: number }
  | { kind: 'later'; row: string }
  | { kind: 'fewer'; row: string; from: number; to: number }
  | { kind: 'all fewer'; share: number }
);

const LONGER = 10;
const FRAME = 5;
const FEWER = 0.75;

/**
 * What might help a cycle that is short, each as the cycle it would make: a class that is off, one more, three longer ones,
 * shorter opening and close, the row that is most short later, a large one asked for less, everything for a little less.
 * `newId` names a class that is put in.
 */
export function helpsFor(cycle: Cycle, past: Past, newId: () => string): Help[] {
  const p = problemNow(cycle, past);
  const grid = gridNow(cycle, past);
  const toCome = cycle.classes.slice(past.from);
  const out: Help[] = [];
  const withClasses = (change: (c: CycleClass) => CycleClass): Cycle => ({
    ...cycle,
    classes: cycle.classes.map((c, k) => (k < past.from ? c : change(c))),
  });
  const shut = toCome.filter((c) => c.off !== null).slice(-2);
  for (const x of shut)
    out.push({
      kind: 'open',
      day: x.day,
      why: x.off!,
      cycle: withClasses((c) => (c.id === x.id ? { ...c, off: null } : c)),
    });
  const open = toCome.filter((c) => c.off === null);
  const extra = shut.length === 0 ? oneMore(cycle, past, newId) : null;
  if (extra) out.push(extra);
  // The next classes of the weekday that has most of them.
  const onDay = (d: number) => open.filter((c) => weekdayOf(c.day) === d);
  const most = [0, 1, 2, 3, 4, 5, 6]
    .map(onDay)
    .sort((a, b) => b.length - a.length)[0]!
    .slice(0, 3);
  if (most.length > 0) {
    const ids = new Set(most.map((c) => c.id));
    out.push({
      kind: 'longer',
      days: most.map((c) => c.day),
      by: LONGER,
      cycle: withClasses((c) => (ids.has(c.id) ? { ...c, minutes: c.minutes + LONGER } : c)),
    });
  }
  if (cycle.rules.frame >= 2 * FRAME && open.length > 0)
    out.push({
      kind: 'shorter frame',
      by: FRAME,
      cycle: withClasses((c) => ({ ...c, frame: Math.max(0, (c.frame ?? cycle.rules.frame) - FRAME) })),
    });
  out.push(
    ...fewer(
      cycle,
      past,
      p.rows.map((_, i) => shortOf(p, grid, i)),
      grid,
    ),
  );
  return out;
}

function fewer(cycle: Cycle, past: Past, short: readonly number[], grid: Grid): Help[] {
  const out: Help[] = [];
  const had = (i: number) => grid[i]!.slice(0, past.from).reduce((n, x) => n + x, 0) * UNIT;
  const asFor = (i: number, minutes: number): Cycle => ({
    ...cycle,
    rows: cycle.rows.map((r, k) => (k === i ? { ...r, minutes } : r)),
  });
  const isNeeded = (id: string) => cycle.rows.some((r) => r.opens.some((o) => o.on === id));
  const most = short
    .map((n, i) => ({ n, i }))
    .filter(({ n, i }) => n > 0 && had(i) === 0 && !isNeeded(cycle.rows[i]!.id))
    .sort((a, b) => b.n - a.n)[0];
  if (most) out.push({ kind: 'later', row: cycle.rows[most.i]!.id, cycle: asFor(most.i, 0) });
  const large = cycle.rows
    .map((r, i) => ({ r, i, left: r.minutes - had(i) }))
    .filter((x) => x.left >= 40)
    .sort((a, b) => b.left - a.left)[0];
  if (large) {
    const to = had(large.i) + Math.round((large.left * FEWER) / UNIT) * UNIT;
    out.push({ kind: 'fewer', row: large.r.id, from: large.r.minutes, to, cycle: asFor(large.i, to) });
  }
  const missing = short.reduce((n, x) => n + x, 0) * UNIT;
  const left = cycle.rows.reduce((n, r, i) => n + Math.max(0, r.minutes - had(i)), 0);
  if (missing > 0 && left > missing) {
    // A little less than would do by itself: what is parted has to be whole.
    const share = Math.floor((1 - missing / left) * 100 - 1) / 100;
    if (share >= 0.1)
      out.push({
        kind: 'all fewer',
        share,
        cycle: {
          ...cycle,
          rows: cycle.rows.map((r, i) => ({
            ...r,
            minutes: had(i) + Math.floor((Math.max(0, r.minutes - had(i)) * share) / UNIT) * UNIT,
          })),
        },
      });
  }
  return out;
}

/** One class more in the last week: on a day that has none, like the last one. */
function oneMore(cycle: Cycle, past: Past, newId: () => string): Help | null {
  const last = cycle.classes.at(-1);
  if (!last) return null;
  const taken = new Set(cycle.classes.map((c) => c.day));
  const first = cycle.classes[past.from]?.day ?? cycle.day;
  for (let back = 1; back <= 14; back += 1) {
    const day = addDays(cycle.day, -back);
    if (day < first) return null;
    if (taken.has(day)) continue;
    const c: CycleClass = { ...last, id: newId(), day, off: null, guest: null, frame: null };
    return {
      kind: 'one more',
      day,
      minutes: c.minutes,
      cycle: { ...cycle, classes: [...cycle.classes, c].sort(inTime) },
    };
  }
  return null;
}
