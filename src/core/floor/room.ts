import type { Sequence } from '../sequence/move';
import { boxOf } from './box';
import { traceFloor, type At, type Body, type Trace } from './trace';

export interface Room {
  /** Metres: along the line (east to west), and from the front wall to the back. */
  width: number;
  depth: number;
}

/** How much floor a sequence takes. Metres. */
export interface Footprint {
  /** The box with reach, walls along the start's facing. */
  width: number;
  depth: number;
  /** How far the body's centre goes from the mark, each way. */
  west: number;
  east: number;
  south: number;
  north: number;
  /** Reach of the longest limb from the centre. */
  reach: number;
  /** Half the breadth of a body. */
  body: number;
  /** From the mark of one partner to the other's, where two work together; 0 for one alone. */
  long: number;
}

/** What the counts of a trace take, in the box that holds them. */
export function footprintOf(all: readonly At[], box: Trace['box'], body: Trace['body']): Footprint {
  const centres = all.map((a) => a.centre);
  return {
    width: box.east - box.west,
    depth: box.north - box.south,
    west: Math.max(0, ...centres.map((c) => -c.x)),
    east: Math.max(0, ...centres.map((c) => c.x)),
    south: Math.max(0, ...centres.map((c) => -c.y)),
    north: Math.max(0, ...centres.map((c) => c.y)),
    reach: body.reach,
    body: body.shoulderBreadth / 2,
    long: 0,
  };
}

export const footprint = (trace: Trace): Footprint => footprintOf([trace.start, ...trace.at], trace.box, trace.body);

export interface Capacity {
  people: number;
  columns: number;
  rows: number;
  /** Metres from mark to mark. */
  spacing: { across: number; deep: number };
  /** From the west and the south wall to the first mark. */
  first: { across: number; deep: number };
}

/**
 * How many fit a hall, or how many pairs where the footprint is a pair's.
 * - `together`: all shift as one, so that neighbours need their reach and half a body between them, and the walls the
 *   excursion besides;
 * - `each`: everybody at their own time, so that everybody needs the whole box, and never less than together.
 */
export function hallCapacity(hall: Room, f: Footprint, mode: 'together' | 'each'): Capacity {
  const near = f.reach + f.body;
  // Behind a pair the next one begins beyond its second partner.
  const behind = near + f.long;
  if (mode === 'each') {
    const across = Math.max(f.width, near);
    const deep = Math.max(f.depth, behind);
    const columns = Math.max(0, Math.floor(hall.width / across + 1e-9));
    const rows = Math.max(0, Math.floor(hall.depth / deep + 1e-9));
    return {
      people: columns * rows,
      columns,
      rows,
      spacing: { across, deep },
      first: { across: f.west + f.body, deep: f.south + f.body },
    };
  }
  const line = (room: number, margin: number, each: number) => {
    const free = room - margin;
    return free < -1e-9 ? 0 : Math.floor(free / each + 1e-9) + 1;
  };
  // What the box has beyond one body standing on the mark is the margin that the walls ask.
  const columns = line(hall.width, f.width, near);
  const rows = line(hall.depth, f.depth, behind);
  const n = Math.min(columns, rows) === 0 ? 0 : columns * rows;
  return {
    people: n,
    columns: n === 0 ? 0 : columns,
    rows: n === 0 ? 0 : rows,
    spacing: { across: near, deep: behind },
    first: { across: f.west + f.body, deep: f.south + f.body },
  };
}

export interface FitPart {
  /** 1-based, both included. */
  from: number;
  to: number;
}
export interface RoomFit {
  fits: boolean;
  /** It fits if the performer starts facing a side wall. */
  turned: boolean;
  /** The longest run of counts that fits, started from the stance before it; null if not even one does. */
  longest: FitPart | null;
  needs: { width: number; depth: number };
}

/** Whether a sequence fits a room, and otherwise which run of its counts does. */
export function fitRoom(seq: Sequence, room: Room, body: Body): RoomFit {
  const trace = traceFloor(seq, body);
  const all = [trace.start, ...trace.at];
  const inside = (b: Trace['box']) => {
    const [w, d] = [b.east - b.west, b.north - b.south];
    const within = (x: number, y: number) => x <= room.width + 1e-9 && y <= room.depth + 1e-9;
    return within(w, d) ? 'as it stands' : within(d, w) ? 'turned' : null;
  };
  const needs = { width: trace.box.east - trace.box.west, depth: trace.box.north - trace.box.south };
  const whole = inside(trace.box);
  if (whole) return { fits: true, turned: whole === 'turned', longest: { from: 1, to: trace.at.length }, needs };
  let longest: FitPart | null = null;
  let from = 0;
  // Two pointers: a run that is too large stays too large with one more count.
  for (let to = 1; to < all.length; to++) {
    while (from < to && !inside(boxOf(all.slice(from, to + 1), body))) from++;
    if (from < to && (!longest || to - from > longest.to - longest.from + 1)) longest = { from: from + 1, to };
  }
  return { fits: false, turned: false, longest, needs };
}

/** Whether what takes so much room stands in a hall, in either turn; metres. */
export const standsIn = (takes: { width: number; depth: number }, hall: { width: number; depth: number }): boolean =>
  (takes.width <= hall.width && takes.depth <= hall.depth) || (takes.depth <= hall.width && takes.width <= hall.depth);
