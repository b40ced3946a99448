// Times between two events of a clip: each falls into a gap between two frames, and no clip can say more than that.

/** What can be pegged: each comes to be between two frames. */
export const CLIP_EVENTS = [
  'the foot lands',
  'the hand arrives',
  'the knee drops',
  'the hips stop',
  'the stance stands',
  'the block meets',
] as const;
export type ClipEvent = (typeof CLIP_EVENTS)[number];

/** The event had not come in frame `last`, and had come in frame `first`; both are places in the list of frames. */
export interface Gap {
  last: number;
  first: number;
}

/** Frames of a clip, in milliseconds of its own clock, rising. */
export type FrameTimes = readonly number[];

/** A gap of one frame before `frame`, kept inside the clip. */
export function gapBefore(times: FrameTimes, frame: number): Gap {
  const first = Math.min(times.length - 1, Math.max(1, frame));
  return { last: first - 1, first };
}

/** The gap so many frames on or back, as wide as it was, kept inside the clip. */
export function moveGap(times: FrameTimes, gap: Gap, by: number): Gap {
  const width = gap.first - gap.last;
  const last = Math.min(times.length - 1 - width, Math.max(0, gap.last + by));
  return { last, first: last + width };
}

/** Not sure: a frame wider on each side. */
export const widerGap = (times: FrameTimes, gap: Gap): Gap => ({
  last: Math.max(0, gap.last - 1),
  first: Math.min(times.length - 1, gap.first + 1),
});

export interface Lapse {
  /** Milliseconds from the one event to the other; positive: the other came later. */
  value: number;
  /** It is off by no more than this: half of each gap, added. */
  half: number;
}

/**
 * Milliseconds from `a` to `b` in real time. `slowed` is how many times slower the file plays than it was taken: 8 for 240
 * frames a second kept as 30. The width is a bound, not a chance: each event lies somewhere in its own gap.
 */
export function lapse(times: FrameTimes, a: Gap, b: Gap, slowed: number): Lapse {
  const middle = (g: Gap) => (times[g.last]! + times[g.first]!) / 2;
  const half = (g: Gap) => (times[g.first]! - times[g.last]!) / 2;
  return { value: (middle(b) - middle(a)) / slowed, half: (half(a) + half(b)) / slowed };
}

/** The usual gap between two frames, and all gaps; null with fewer than two frames. */
function gapsOf(times: FrameTimes): { usual: number; all: number[] } | null {
  const all = times.slice(1).map((t, i) => t - times[i]!);
  const usual = [...all].sort((x, y) => x - y)[Math.floor(all.length / 2)];
  return usual !== undefined && usual > 0 ? { usual, all } : null;
}
/** A gap half as long again as the usual one: a frame is missing there. */
const isHole = (gap: number, usual: number) => gap > 1.5 * usual;

/**
 * Frames a second when it was taken, holes left out; null with fewer than two frames. On the mean, since files round their
 * times to milliseconds.
 */
export function frameRate(times: FrameTimes, slowed: number): number | null {
  const gaps = gapsOf(times);
  if (!gaps) return null;
  const whole = gaps.all.filter((g) => !isHole(g, gaps.usual));
  return (1000 * slowed * whole.length) / whole.reduce((a, g) => a + g, 0);
}

/** Whether frames come at unequal times: somewhere one is missing. */
export function isUneven(times: FrameTimes): boolean {
  const gaps = gapsOf(times);
  return gaps !== null && gaps.all.some((g) => isHole(g, gaps.usual));
}

/** Of standard gravity, in m/s² (CGPM 1901). */
const GRAVITY = 9.806_65;

/** How long a ball falls from rest, in milliseconds, through so many metres; the air is left out. */
export const fallTime = (metres: number): number => Math.sqrt((2 * metres) / GRAVITY) * 1000;

/** How many times slower a file plays than it was taken, by a ball that fell so far between two pegs; null: no fall at all. */
export function slowedByFall(times: FrameTimes, letGo: Gap, landed: Gap, metres: number): number | null {
  const played = lapse(times, letGo, landed, 1).value;
  return played > 0 ? played / fallTime(metres) : null;
}

/** The factors that cameras use; by a fall one reads the nearest, if it is within a tenth. */
export const SLOWED = [1, 2, 4, 8, 16, 32] as const;
export function nearestSlowed(factor: number): number | null {
  const near = SLOWED.reduce((best, f) =>
    Math.abs(Math.log(f / factor)) < Math.abs(Math.log(best / factor)) ? f : best,
  );
  return Math.abs(near / factor - 1) <= 0.1 ? near : null;
}

/**
 * At what share of a path, in percent, something stands at an event: its place on the straight line from where the path
 * began to where it ended, in pixels. `off` is how far each place may be off, one standard deviation; the width is nine
 * times in ten, to first order. Null: the path has no length to speak of.
 */
export function shareOfPath(
  from: { x: number; y: number },
  to: { x: number; y: number },
  at: { x: number; y: number },
  off: number,
): Lapse | null {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  if (length < 10 * off || length === 0) return null;
  const share = ((at.x - from.x) * dx + (at.y - from.y) * dy) / (length * length);
  // Along the path: the place itself, and each end by what is left or gone of the way.
  const spread = Math.sqrt(1 + (1 - share) ** 2 + share ** 2) * (off / length);
  return { value: share * 100, half: 1.6449 * spread * 100 };
}

/**
 * A share of a way at an event that came somewhere between two frames: between what stands at the last frame before it and
 * at the first after it, with the doubt of both and of where in between it came.
 */
export function shareBetween(last: Lapse, first: Lapse): Lapse {
  const gap = first.value - last.value;
  // Anywhere in the gap alike: its spread is a twelfth of its square.
  const half = Math.hypot(Math.max(last.half, first.half), (1.6449 * gap) / Math.sqrt(12));
  return { value: (last.value + first.value) / 2, half };
}
