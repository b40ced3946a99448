import { weekdayOf } from '../units/plainDate';
import { HEAVINESS, roomOf, UNIT, unitsOf, type Cycle, type CycleClass, type CycleRow } from './model';

/** Units of a row (first) in a class (second). */
export type Grid = readonly (readonly number[])[];

/** A row as the solver sees it; all lengths in units. */
export interface ProblemRow {
  need: number;
  least: number;
  most: number;
  gap: number;
  fresh: boolean;
  basics: boolean;
  heavy: number;
  group: number | null;
  opens: readonly { on: number; units: number }[];
  /** Whether it may come in a class; of those that were held: whether it did. */
  open: readonly boolean[];
}

/** A cycle in numbers: what was held stands, what is pinned stays, the rest is to be found. */
export interface CycleProblem {
  rows: readonly ProblemRow[];
  /** How many groups work apart. */
  groups: number;
  /** Units each class gives to each group; 0 where it is off. */
  room: readonly number[];
  /** The most load of each class. */
  load: readonly number[];
  /** Classes before this one were held, or lost. */
  from: number;
  /** What was had in those, and what is pinned in those to come; null: to be found. */
  fixed: readonly (readonly (number | null)[])[];
  /** New things a class may have. */
  newThings: number;
  growing: readonly number[];
  review: number;
}

/** A pin that stands although something else says it should not. */
export interface PinTrouble {
  row: string;
  class: string;
  why: 'off' | 'weekday' | 'too early' | 'before what opens it' | 'too much' | 'not a length';
}

/** Whether a group works at a row: those that are for all are everybody's. */
export const worksAt = (r: Pick<ProblemRow, 'group'>, group: number): boolean => r.group === null || r.group === group;

const heavyOf = (r: Pick<CycleRow, 'heaviness'>): number => HEAVINESS.indexOf(r.heaviness) + 1;

/** Why a row does not come in a class; null: it may. */
function closedFor(r: CycleRow, c: CycleClass): PinTrouble['why'] | null {
  if (c.off !== null) return 'off';
  if (r.notOn.includes(weekdayOf(c.day))) return 'weekday';
  return r.from !== null && c.day < r.from ? 'too early' : null;
}

/**
 * A cycle in numbers, from the class at `from` on. `had` says how many minutes of a row a class before it had. A pin stands
 * whatever else is said: room and load grow with it, and what it goes against is named by `pinTroubles`.
 */
export function problemOf(cycle: Cycle, from: number, had: (row: string, cls: string) => number): CycleProblem {
  const place = new Map(cycle.rows.map((r, i) => [r.id, i]));
  const pins = new Map(cycle.cells.filter((c) => c.pinned).map((c) => [`${c.row} ${c.class}`, c.minutes]));
  const fixed = cycle.rows.map((r) =>
    cycle.classes.map((c, k) => {
      if (k < from) return Math.round(had(r.id, c.id) / UNIT);
      const pin = pins.get(`${r.id} ${c.id}`);
      return pin === undefined ? null : Math.round(pin / UNIT);
    }),
  );
  const groups = Math.max(1, cycle.groups.length);
  const rows = cycle.rows.map((r, i): ProblemRow => {
    const had = fixed[i]!.reduce<number>((n, x) => n + (x ?? 0), 0);
    const group = r.group !== null && r.group < groups && groups > 1 ? r.group : null;
    const least = Math.max(1, unitsOf(r.least));
    return {
      need: Math.max(Math.round(r.minutes / UNIT), had),
      least,
      most: Math.max(least, unitsOf(r.most)),
      gap: Math.max(1, r.gap),
      fresh: r.fresh && !fixed[i]!.slice(0, from).some((x) => x! > 0),
      basics: r.kind === 'basics',
      heavy: heavyOf(r),
      group,
      opens: r.opens.flatMap((o) => {
        const on = place.get(o.on);
        return on === undefined || on === i ? [] : [{ on, units: Math.round(o.minutes / UNIT) }];
      }),
      open: cycle.classes.map((c, k) => (fixed[i]![k] !== null ? fixed[i]![k]! > 0 : closedFor(r, c) === null)),
    };
  });
  const standing = (k: number, g: number) => sum(rows.map((r, i) => (worksAt(r, g) ? (fixed[i]![k] ?? 0) : 0)));
  const room = cycle.classes.map((c, k) =>
    Math.max(roomOf(c, cycle.rules) / UNIT, ...Array.from({ length: groups }, (_, g) => standing(k, g))),
  );
  const load = room.map((n, k) =>
    Math.max(Math.floor(n * groups * cycle.rules.load + 1e-9), sum(rows.map((r, i) => (fixed[i]![k] ?? 0) * r.heavy))),
  );
  return {
    rows,
    groups,
    room,
    load,
    from,
    fixed,
    newThings: cycle.rules.newThings,
    growing: cycle.rules.growing,
    review: cycle.rules.review,
  };
}

/** The pins to come that go against something: they stay, and are named. */
export function pinTroubles(cycle: Cycle, p: CycleProblem, grid: Grid): PinTrouble[] {
  const out: PinTrouble[] = [];
  const at = new Map(cycle.cells.filter((c) => c.pinned).map((c) => [`${c.row} ${c.class}`, c.minutes]));
  for (const [k, c] of cycle.classes.entries()) {
    if (k < p.from) continue;
    const here = cycle.rows.flatMap((r, i) => {
      const minutes = at.get(`${r.id} ${c.id}`);
      return minutes === undefined || minutes === 0 ? [] : [{ r, i, minutes }];
    });
    const most = Math.max(
      0,
      ...Array.from({ length: p.groups }, (_, g) =>
        here.reduce((n, x) => n + (worksAt(p.rows[x.i]!, g) ? x.minutes : 0), 0),
      ),
    );
    for (const { r, i, minutes } of here) {
      const say = (why: PinTrouble['why']) => out.push({ row: r.id, class: c.id, why });
      const closed = closedFor(r, c);
      if (closed) say(closed);
      else if (p.rows[i]!.opens.some((o) => grid[o.on]!.slice(0, k).reduce((n, x) => n + x, 0) < o.units))
        say('before what opens it');
      else if (most > roomOf(c, cycle.rules)) say('too much');
      else if (minutes % UNIT !== 0) say('not a length');
    }
  }
  return out;
}

/** What stands already, and nothing else. */
export const fixedGrid = (p: CycleProblem): number[][] => p.rows.map((_, i) => p.fixed[i]!.map((x) => x ?? 0));

/** Units of a row in a grid that are missing of what it needs. */
export const shortOf = (p: CycleProblem, grid: Grid, i: number): number =>
  Math.max(0, p.rows[i]!.need - grid[i]!.reduce((n, x) => n + x, 0));

/** Units missing altogether. */
export const shortIn = (p: CycleProblem, grid: Grid): number => p.rows.reduce((n, _, i) => n + shortOf(p, grid, i), 0);

/**
 * Units that are short in every plan, from sums alone: what all rows need beyond the room there is, and what each
 * row needs beyond the classes in which it may come. The solver finds more.
 */
export function shortAnyway(p: CycleProblem): number {
  const had = (i: number) => p.fixed[i]!.slice(0, p.from).reduce<number>((n, x) => n + (x ?? 0), 0);
  const left = p.rows.map((r, i) => Math.max(0, r.need - had(i)));
  const over = (list: readonly number[], room: readonly number[]) => sum(list) - sum(room.slice(p.from));
  const groups = Array.from({ length: p.groups }, (_, g) =>
    over(
      left.map((n, i) => (worksAt(p.rows[i]!, g) ? n : 0)),
      p.room,
    ),
  );
  const alone = p.rows.map((r, i) => {
    const may = r.open.map((o, k) =>
      o && k >= p.from ? Math.max(p.fixed[i]![k] ?? 0, Math.min(r.most, p.room[k]!)) : 0,
    );
    return Math.max(0, left[i]! - sum(may));
  });
  return Math.max(0, ...groups, sum(alone));
}

const sum = (list: readonly number[]) => list.reduce((n, x) => n + x, 0);
