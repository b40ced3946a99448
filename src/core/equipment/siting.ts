import type { Room } from '../floor/room';
import { FACES, type Faces, type Stand, type ThingShape } from './thing';

interface Spot {
  x: number;
  y: number;
}

/** Shares of stature. Winter (from memory): upper arm .186, forearm .146, hand .108, leg from hip to floor .530. */
const [UPPER_ARM, ARM, LEG] = [0.186, 0.186 + 0.146 + 0.108, 0.53];
/** A step to the side, and room behind the elbow beyond the upper arm, in metres (ours). */
const [STEP, BEHIND] = [0.6, 0.2];
/** So far behind a holder who goes back something soft must stand, at most, in metres (ours). */
export const BACKSTOP_WITHIN = 2;

/** What room a thing takes in front of whoever uses it (F 62, common practice, no source; the lengths are of the table). */
export type WorkRoom =
  | { kind: 'box'; wide: number; deep: number }
  | { kind: 'half circle' | 'circle'; radius: number }
  | null;

/** The room a kind of thing takes for somebody of a stature in metres; null: it takes none that is checked. */
export function workRoomOf(shape: ThingShape, stature: number): WorkRoom {
  // At arm’s length before it, the drawn-back elbow and room behind it, and an arm to either side for blows from outside.
  if (shape === 'post') return { kind: 'box', wide: 2 * ARM * stature, deep: (ARM + UPPER_ARM) * stature + BEHIND };
  if (shape === 'armed post') return { kind: 'half circle', radius: ARM * stature + STEP };
  // All round it, as far as a leg reaches.
  if (shape === 'bag') return { kind: 'circle', radius: LEG * stature + BEHIND };
  if (shape === 'wall') return { kind: 'box', wide: 2 * ARM * stature, deep: (ARM + LEG) * stature };
  // Who holds a shield goes back from where the work begins.
  if (shape === 'kick shield') return { kind: 'box', wide: 2 * ARM * stature, deep: (ARM + LEG) * stature };
  return null;
}

/** A place seen from a stand: so far before it, and so far to the right of whoever looks away from it. */
function seenFrom(s: Stand, ahead: number, aside: number): Spot {
  const [dx, dy] = { front: [0, -1], right: [1, 0], back: [0, 1], left: [-1, 0] }[s.faces] as [number, number];
  return { x: s.x + dx * ahead - dy * aside, y: s.y + dy * ahead + dx * aside };
}

/** The outline of the room that a stand takes, in metres of the hall, in order. */
export function outlineOf(s: Stand, zone: NonNullable<WorkRoom>): Spot[] {
  if (zone.kind === 'box') {
    const half = zone.wide / 2;
    return [seenFrom(s, 0, -half), seenFrom(s, 0, half), seenFrom(s, zone.deep, half), seenFrom(s, zone.deep, -half)];
  }
  const n = 24;
  const whole = zone.kind === 'circle';
  return Array.from({ length: n + (whole ? 0 : 1) }, (_, i) => {
    const a = whole ? (2 * Math.PI * i) / n : Math.PI * (i / n - 0.5);
    return seenFrom(s, Math.cos(a) * zone.radius, Math.sin(a) * zone.radius);
  });
}

/** How far two convex outlines lie into each other, in metres; 0: they do not. */
export function overlap(a: readonly Spot[], b: readonly Spot[]): number {
  let least = Infinity;
  for (const [of, n] of [
    [a, a.length],
    [b, b.length],
  ] as const)
    for (let i = 0; i < n; i += 1) {
      const [p, q] = [of[i]!, of[(i + 1) % n]!];
      const long = Math.hypot(q.x - p.x, q.y - p.y);
      if (long === 0) continue;
      const [nx, ny] = [(p.y - q.y) / long, (q.x - p.x) / long];
      const along = (list: readonly Spot[]) => list.map((s) => s.x * nx + s.y * ny);
      const [u, v] = [along(a), along(b)];
      const depth = Math.min(Math.max(...u) - Math.min(...v), Math.max(...v) - Math.min(...u));
      if (depth <= 0) return 0;
      least = Math.min(least, depth);
    }
  return least;
}

/** What stands in a hall. */
export interface Sited {
  name: string;
  shape: ThingShape;
  /** Something soft, as mats are: it can stop who falls. */
  soft: boolean;
  stand: Stand;
  /** Which of its kind, from 1. */
  no: number;
}

/** What is wrong with where a thing stands. */
export type SitingFault =
  /** It does not stand in the hall at all. */
  | { kind: 'outside'; of: Sited }
  /** So many metres are missing towards a wall. */
  | { kind: 'wall'; of: Sited; wall: Faces; short: number }
  /** Whoever works here and whoever works there are in each other's way. */
  | { kind: 'apart'; of: Sited; other: Sited; short: number }
  /** Nothing soft stands behind a holder who goes back. */
  | { kind: 'backstop'; of: Sited; wall: number };

/** Half a centimetre, in metres: less than people measure, and nothing hangs on it. */
const TOO_LITTLE = 0.005;

/**
 * Checks where things stand in a hall, each for somebody of a stature in metres: room to every wall, and between any two at
 * which people work at once; behind a shield something soft within `BACKSTOP_WITHIN`.
 */
export function checkSiting(all: readonly Sited[], room: Room, stature: number): SitingFault[] {
  const faults: SitingFault[] = [];
  const placed: { of: Sited; outline: Spot[] }[] = [];
  for (const of of all) {
    const { x, y } = of.stand;
    if (x < 0 || y < 0 || x > room.width || y > room.depth) {
      faults.push({ kind: 'outside', of });
      continue;
    }
    const zone = workRoomOf(of.shape, stature);
    if (!zone) continue;
    const outline = outlineOf(of.stand, zone);
    const beyond: Record<Faces, number> = {
      left: -Math.min(...outline.map((p) => p.x)),
      right: Math.max(...outline.map((p) => p.x)) - room.width,
      front: -Math.min(...outline.map((p) => p.y)),
      back: Math.max(...outline.map((p) => p.y)) - room.depth,
    };
    for (const wall of FACES)
      if (beyond[wall] > TOO_LITTLE) faults.push({ kind: 'wall', of, wall, short: beyond[wall] });
    for (const other of placed) {
      const into = overlap(outline, other.outline);
      if (into > TOO_LITTLE) faults.push({ kind: 'apart', of, other: other.of, short: into });
    }
    placed.push({ of, outline });
    if (of.shape !== 'kick shield') continue;
    // The holder has their back the other way than the kicker stands.
    const behind = ({ stand }: Sited) => {
      const back = seenFrom(of.stand, -1, 0);
      const [dx, dy] = [back.x - of.stand.x, back.y - of.stand.y];
      const away = (stand.x - of.stand.x) * dx + (stand.y - of.stand.y) * dy;
      const aside = Math.abs((stand.x - of.stand.x) * dy - (stand.y - of.stand.y) * dx);
      return away > TOO_LITTLE && away <= BACKSTOP_WITHIN + TOO_LITTLE && aside <= 1 + TOO_LITTLE;
    };
    if (!all.some((o) => o.soft && o !== of && behind(o)))
      faults.push({
        kind: 'backstop',
        of,
        wall: { front: room.depth - y, back: y, left: room.width - x, right: x }[of.stand.faces],
      });
  }
  return faults;
}
