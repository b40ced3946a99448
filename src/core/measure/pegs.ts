// Where the two pegs of a film may stand, from what a pose model found in its frames: proposals, never more.
import type { Place } from '../technique/pose';
import type { ClipEvent, FrameTimes, Gap } from './clip';
import { bodyHeight, pointOf, type Found } from './found';

/** What a film's frames show of themselves; the others are pegged by eye. */
export const FOUND_EVENTS = ['the foot lands', 'the hand arrives'] as const satisfies readonly ClipEvent[];
export type FoundEvent = (typeof FOUND_EVENTS)[number];
export const isFoundEvent = (e: ClipEvent): e is FoundEvent => FOUND_EVENTS.some((x) => x === e);

/** A frame that was looked at, and what was found in it. */
export interface FrameSeen {
  frame: number;
  points: readonly Found[];
}

/** So many frames are looked at first, evenly over the clip. */
const FIRST = 24;
const SURE = 0.1;
/** What moves less than this is doubt of the model, as a share of the body's height. */
const LEAST_WAY = 0.1;

/** How far an event has come in each frame, nought to one, by which it is found; null: nothing moved, or it was hardly seen. */
interface Course {
  frames: number[];
  done: number[];
}

/** The course of whichever side went farther. */
function farther(seen: readonly FrameSeen[], of: (side: 'left' | 'right') => Course & { way: number }): Course | null {
  const [l, r] = [of('left'), of('right')];
  const best = l.way >= r.way ? l : r;
  return best.way >= LEAST_WAY && best.frames.length >= Math.max(5, seen.length / 2) ? best : null;
}

const middleOf = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;
const places = (seen: readonly FrameSeen[], name: Parameters<typeof pointOf>[1]) =>
  seen.flatMap((s) => {
    const p = pointOf(s.points, name);
    return p.sure >= SURE ? [{ frame: s.frame, x: p.x, y: p.y }] : [];
  });

type At = Place & { frame: number };
const middlePlace = (some: readonly At[]): Place => ({
  x: middleOf(some.map((p) => p.x)),
  y: middleOf(some.map((p) => p.y)),
});

/** How far something is on its way, measured along it. */
function alongTheWay(at: readonly At[], from: Place, to: Place, height: number): Course & { way: number } {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const long = Math.max(1e-9, Math.hypot(dx, dy));
  return {
    way: long / height,
    frames: at.map((p) => p.frame),
    done: at.map((p) => ((p.x - from.x) * dx + (p.y - from.y) * dy) / (long * long)),
  };
}
/** Of the frames an eighth shows where it begins, and where it ends. */
const beginning = (at: readonly At[]) => middlePlace(at.slice(0, Math.max(1, Math.round(at.length / 8))));
const ending = (at: readonly At[]) => middlePlace(at.slice(-Math.max(1, Math.round(at.length / 8))));

/** The ankle, from where it stood to where it stands. */
const footCourse = (seen: readonly FrameSeen[], height: number): Course | null =>
  farther(seen, (side) => {
    const at = places(seen, `${side} ankle`);
    return alongTheWay(at, beginning(at), ending(at), height);
  });

/** The wrist as its shoulder sees it, from where it began to where it is farthest out. */
const handCourse = (seen: readonly FrameSeen[], height: number): Course | null =>
  farther(seen, (side) => {
    const shoulder = new Map(places(seen, `${side} shoulder`).map((p) => [p.frame, p]));
    const at = places(seen, `${side} wrist`).flatMap((p) => {
      const s = shoulder.get(p.frame);
      return s ? [{ frame: p.frame, x: p.x - s.x, y: p.y - s.y }] : [];
    });
    const reach = at.map((p) => Math.hypot(p.x, p.y));
    // A single one beyond it is the model's doubt.
    const full = [...reach].sort((a, b) => a - b)[Math.floor(reach.length * 0.8)] ?? 0;
    const out = at.filter((_, i) => reach[i]! >= 0.97 * full);
    // A hand that was out from the first is the other one, which is pulled back.
    return alongTheWay(at, beginning(at), middlePlace(out), height);
  });

const courseOf = (event: FoundEvent, seen: readonly FrameSeen[]): Course | null => {
  const height = middleOf(seen.flatMap((s) => bodyHeight(s.points) ?? []));
  if (!(height > 0)) return null;
  return event === 'the foot lands' ? footCourse(seen, height) : handCourse(seen, height);
};

/** A straight line through points: where it meets one, its slope, and how far they lie off it (one deviation). */
function lineThrough(
  ts: readonly number[],
  us: readonly number[],
): { meets: number; slope: number; off: number } | null {
  const n = ts.length;
  const [t, u] = [ts.reduce((a, b) => a + b, 0) / n, us.reduce((a, b) => a + b, 0) / n];
  const across = ts.reduce((a, x) => a + (x - t) ** 2, 0);
  const slope = across > 0 ? ts.reduce((a, x, i) => a + (x - t) * (us[i]! - u), 0) / across : 0;
  if (!(slope > 0)) return null;
  const off = Math.sqrt(ts.reduce((a, x, i) => a + (us[i]! - u - slope * (x - t)) ** 2, 0) / Math.max(1, n - 2));
  return { meets: t + (1 - u) / slope, slope, off };
}

/** Where the last rise to the full begins and ends, as places in the course. */
function rise(c: Course): { from: number; to: number } | null {
  const to = c.done.findIndex((u, i) => u >= 0.92 && (c.done[i + 1] ?? 1) >= 0.85);
  if (to < 1) return null;
  let from = to;
  while (from > 0 && c.done[from - 1]! > 0.35) from -= 1;
  return { from, to };
}

/**
 * Where an event may lie: the course rises to its full and stays there, and the event is where the line of its rise meets
 * it; as wide as the frames lie off that line, nine times in ten. Null: it cannot be told.
 */
export function pegOf(event: FoundEvent, times: FrameTimes, seen: readonly FrameSeen[]): Gap | null {
  const c = courseOf(event, seen);
  const r = c && rise(c);
  if (!c || !r) return null;
  const t = (i: number) => times[c.frames[i]!]!;
  const rising = c.frames.flatMap((_, i) => (i >= r.from && i <= r.to && c.done[i]! < 0.9 ? [i] : []));
  const before = t(Math.max(0, r.from - 1));
  const line =
    rising.length >= 3
      ? lineThrough(
          rising.map(t),
          rising.map((i) => c.done[i]!),
        )
      : null;
  const meets = line ? Math.min(t(Math.min(c.frames.length - 1, r.to + 2)), Math.max(before, line.meets)) : null;
  // With hardly a frame on the way it lies between the last below half and the full.
  const [lo, hi] =
    meets === null || !line
      ? [before, t(r.to)]
      : (([-1, 1] as const).map((k) => meets + (k * 1.6449 * line.off) / line.slope) as [number, number]);
  // Where it slows down before it stops the line meets its full too early: then it is as late as the first frame there.
  const stands = c.done.findIndex((u, i) => i >= r.to && u >= 0.99);
  const late = stands < 0 || t(stands) > t(r.to) + 60 ? hi : Math.max(hi, t(stands) - 1e-6);
  const first = times.findIndex((x) => x > late);
  const last = times.findLastIndex((x) => x < lo);
  const gap = { last: Math.max(0, last), first: first < 0 ? times.length - 1 : first };
  return gap.first > gap.last ? gap : null;
}

/** The frames of a clip that are looked at first. */
export function firstFrames(n: number): number[] {
  const some = Math.min(n, FIRST);
  return [...new Set(Array.from({ length: some }, (_, i) => Math.round((i * (n - 1)) / Math.max(1, some - 1))))];
}

/** Those looked at next, about where the events seem to lie; none: nothing more is to be learned. */
export function framesAbout(events: readonly FoundEvent[], n: number, seen: readonly FrameSeen[]): number[] {
  const known = new Set(seen.map((s) => s.frame));
  const step = Math.ceil(n / FIRST);
  const wanted = events.flatMap((event) => {
    const c = courseOf(event, seen);
    const r = c && rise(c);
    if (!c || !r) return [];
    // The last half of the way and a step beyond it: the line of the rise is drawn through these.
    const [from, to] = [c.frames[Math.max(r.from, r.to - 3)]!, c.frames[r.to]! + step];
    return Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => from + i);
  });
  return [...new Set(wanted)].filter((f) => f >= 0 && f < n && !known.has(f)).sort((a, b) => a - b);
}
