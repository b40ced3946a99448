// Where the two pegs of a film may stand, from what a pose model found in its frames: proposals, never more.
import type { Place } from '../technique/pose';
import type { ClipEvent, FrameTimes, Gap } from './clip';
import { NINE_IN_TEN } from './doubt';
import { bodyHeight, facingOf, pointOf, type Found } from './found';

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
/** Where it stands still a model is off by so much of the body's height, as seen on drawn figures: the line through a rise does not show it. */
const STEADILY_OFF = 0.015;

/** How far an event has come in each frame, nought to one, by which it is found; null: nothing moved, or it was hardly seen. */
interface Course {
  frames: number[];
  done: number[];
  /** How long the way is, as a share of the body's height. */
  way: number;
}

const middleOf = (all: readonly number[]): number => [...all].sort((a, b) => a - b)[Math.floor(all.length / 2)] ?? 0;

/** What lies farthest in front and farthest behind of a pair, in each frame. Seen from the side a model takes left for right. */
interface Pair {
  frame: number;
  front: Place;
  rear: Place;
}
function pairs(seen: readonly FrameSeen[], part: 'ankle' | 'wrist' | 'shoulder', facing: number): Pair[] {
  return seen.flatMap((s) => {
    const both = (['left', 'right'] as const)
      .map((side) => pointOf(s.points, `${side} ${part}`))
      .filter((p) => p.sure >= SURE);
    const [a, b] = [both[0], both[1] ?? both[0]];
    if (!a || !b) return [];
    return [
      a.x * facing >= b.x * facing ? { frame: s.frame, front: a, rear: b } : { frame: s.frame, front: b, rear: a },
    ];
  });
}

type At = Place & { frame: number };
const middlePlace = (some: readonly At[]): Place => ({
  x: middleOf(some.map((p) => p.x)),
  y: middleOf(some.map((p) => p.y)),
});

/** An ankle from where it stood to where it stands, measured along that way; of the frames an eighth shows either. */
function footCourse(seen: readonly FrameSeen[], height: number, facing: number): Course {
  const feet = pairs(seen, 'ankle', facing);
  const [front, rear] = (['front', 'rear'] as const).map((which) => {
    const at = feet.map((p): At => ({ ...p[which], frame: p.frame }));
    const few = Math.max(1, Math.round(at.length / 8));
    const [from, to] = [middlePlace(at.slice(0, few)), middlePlace(at.slice(-few))];
    const [dx, dy] = [to.x - from.x, to.y - from.y];
    const long = Math.max(1e-9, Math.hypot(dx, dy));
    return {
      way: long / height,
      frames: at.map((p) => p.frame),
      done: at.map((p) => ((p.x - from.x) * dx + (p.y - from.y) * dy) / (long * long)),
    };
  }) as [Course, Course];
  return front.way >= rear.way ? front : rear;
}

/** Where the longest run of what holds begins; two in between that do not hold break no run. */
function longestRun(holds: readonly boolean[]): number {
  let best = { from: 0, long: 0 };
  for (let i = 0; i < holds.length;) {
    if (!holds[i]) {
      i += 1;
      continue;
    }
    let to = i;
    for (let j = i; j < holds.length && j - to <= 3; j += 1) if (holds[j]) to = j;
    if (to - i + 1 > best.long) best = { from: i, long: to - i + 1 };
    i = to + 1;
  }
  return best.from;
}

/** The foremost hand as the shoulders see it, from where hands were least far out to where it is out. */
function handCourse(seen: readonly FrameSeen[], height: number, facing: number): Course {
  const shoulders = new Map(pairs(seen, 'shoulder', facing).map((p) => [p.frame, p]));
  const at = pairs(seen, 'wrist', facing).flatMap((p): At[] => {
    const s = shoulders.get(p.frame);
    if (!s) return [];
    return [
      {
        frame: p.frame,
        x: (p.front.x - (s.front.x + s.rear.x) / 2) * facing,
        y: p.front.y - (s.front.y + s.rear.y) / 2,
      },
    ];
  });
  // The middle of three: a single frame that lies off is the model's doubt.
  const out = at.map((_, i) => middleOf(at.slice(Math.max(0, i - 1), i + 2).map((p) => p.x)));
  const full = [...out].sort((a, b) => a - b)[Math.floor(out.length * 0.8)] ?? 0;
  // It stays out longest where it has arrived; where one hand is pulled back while the other goes out, they pass each other.
  const arrived = longestRun(out.map((x) => x >= 0.88 * full));
  const least = Math.min(...out.slice(0, arrived + 1));
  const from = Math.max(
    0,
    out.findLastIndex((x, i) => i <= arrived && x === least),
  );
  const after = at.slice(from);
  const far = after.map((p) => (p.x - least) / Math.max(1e-9, full - least));
  // A fist that rises goes out first and up last: near its end it is followed along the last of its way.
  const to = middlePlace(after.filter((_, i) => far[i]! >= 0.97));
  const half = after.filter((_, i) => far[i]! >= 0.4 && far[i]! <= 0.75);
  const mid = half.length > 0 ? middlePlace(half) : { x: least, y: to.y };
  const midFar = (mid.x - least) / Math.max(1e-9, full - least);
  const [dx, dy] = [to.x - mid.x, to.y - mid.y];
  const long = Math.max(1e-9, dx * dx + dy * dy);
  return {
    way: (full - least) / height,
    frames: after.map((p) => p.frame),
    done: after.map((p, i) =>
      far[i]! < midFar ? far[i]! : midFar + ((1 - midFar) * ((p.x - mid.x) * dx + (p.y - mid.y) * dy)) / long,
    ),
  };
}

const courseOf = (event: FoundEvent, seen: readonly FrameSeen[]): Course | null => {
  const there = seen.filter((s) => bodyHeight(s.points) !== null);
  if (there.length < Math.max(5, seen.length / 2)) return null;
  const height = middleOf(there.map((s) => bodyHeight(s.points)!));
  const facing = Math.sign(there.reduce((n, s) => n + facingOf(s.points), 0.5));
  const c = event === 'the foot lands' ? footCourse(there, height, facing) : handCourse(there, height, facing);
  return c.way >= LEAST_WAY && c.frames.length >= 5 ? c : null;
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

/** Where the rise to the full begins and ends, as places in the course. */
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
  // With hardly a frame on the way a person sees more than this does.
  const line =
    rising.length >= 3
      ? lineThrough(
          rising.map(t),
          rising.map((i) => c.done[i]!),
        )
      : null;
  if (!line) return null;
  const meets = Math.min(t(Math.min(c.frames.length - 1, r.to + 2)), Math.max(t(Math.max(0, r.from - 1)), line.meets));
  const half = (NINE_IN_TEN * Math.hypot(line.off, STEADILY_OFF / c.way)) / line.slope;
  const [lo, hi] = [meets - half, meets + half];
  // Where it slows down before it stops the line meets its full too early: then it is as late as the first frame there.
  const stands = c.done.findIndex((u, i) => i >= r.to && u >= 0.99);
  const late = stands < 0 || t(stands) > t(r.to) + 60 ? hi : Math.max(hi, t(stands) - 1e-6);
  const first = times.findIndex((x) => x > late);
  const last = times.findLastIndex((x) => x < lo);
  const gap = { last: Math.max(0, last), first: first < 0 ? times.length - 1 : first };
  return gap.first > gap.last ? gap : null;
}

/** The frames of a clip that are looked at first. */
export function firstFrames(n: number, most = FIRST): number[] {
  const some = Math.min(n, most);
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
