import type { Unit } from '../technique/point';
import type { Side } from '../units/side';
import type { View } from './body';
import { CLIP_EVENTS, type ClipEvent } from './clip';
import { MEASURES } from './measures';

/** What a measured point is read off, and how: a number of a picture, a time between two events, or a share of a way. */
export type Reading =
  | { off: 'picture'; key: string; view: View }
  | { off: 'clip'; from: ClipEvent; to: ClipEvent }
  | { off: 'clip'; shareAt: ClipEvent };

/** Numbers of whichever arm works, as the side of a technique says. */
const ARMS = ['working elbow', 'other elbow', 'working elbow out', 'other elbow out'] as const;

const lapseBy = (from: ClipEvent, to: ClipEvent) => `from when ${from} to when ${to}`;
const shareBy = (at: ClipEvent) => `share of the way when ${at}`;

const LAPSES = new Map(
  CLIP_EVENTS.flatMap((from) =>
    CLIP_EVENTS.filter((to) => to !== from).map((to) => [lapseBy(from, to), { off: 'clip', from, to }] as const),
  ),
);
const SHARES = new Map(CLIP_EVENTS.map((at) => [shareBy(at), { off: 'clip', shareAt: at }] as const));

/** Every way in which a point can be said to be measured on the device; by hand is none of them. */
export const MEASURED_BY: readonly string[] = [
  ...MEASURES.map((m) => m.key),
  ...ARMS,
  ...LAPSES.keys(),
  ...SHARES.keys(),
];

/** The ways that give a number in a unit, in the order in which they are offered. */
export function waysToMeasure(unit: Unit | null): readonly string[] {
  if (unit === 'ms' || unit === 's') return [...LAPSES.keys()];
  const off = MEASURES.filter((m) => m.unit === unit).map((m) => m.key);
  if (unit === '°') return [...off, ...ARMS];
  return unit === '%' ? [...off, ...SHARES.keys()] : off;
}

/** What is read off by such a way, on a side of the technique; null: by hand, or it is none of ours. */
export function readingOf(way: string | null, side: Side): Reading | null {
  if (way === null) return null;
  const clip = LAPSES.get(way) ?? SHARES.get(way);
  if (clip) return clip;
  const other = side === 'left' ? 'right' : 'left';
  const arm = side === 'left' ? 'left' : 'right';
  const key = way.replace(/^working (?=elbow)/, `${arm} `).replace(/^other (?=elbow)/, `${other} `);
  const kind = MEASURES.find((m) => m.key === key);
  return kind ? { off: 'picture', key, view: kind.view } : null;
}
