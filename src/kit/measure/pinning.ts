import { LANDMARKS, THUMB_OFF, type Landmark, type LengthEnd, type Pin, type Pins, type View } from '../../core';

export type Pinned = Landmark | LengthEnd;

/** Where landmarks stand, which one is under the thumb, and the way back. */
export interface Pinning {
  pins: Pins;
  at: Pinned;
  before: readonly { pins: Pins; at: Pinned }[];
}
export interface Sheet {
  width: number;
  height: number;
}
const KEPT = 100;
const kept = ({ pins, at, before }: Pinning) => [...before.slice(-KEPT), { pins, at }];

export const beginPinning = (pins: Pins, at: Pinned): Pinning => ({ pins, at, before: [] });

/** Remembers how it stands, so that a drag or a key can be taken back as one. */
export const remember = (p: Pinning): Pinning => ({ ...p, before: kept(p) });

/** The landmark under the thumb is put to a place of the picture: set, and seen. */
export function putAt(p: Pinning, x: number, y: number, { width, height }: Sheet): Pinning {
  const within = (n: number, most: number) => Math.min(most, Math.max(0, n));
  const pin: Pin = { x: within(x, width), y: within(y, height), sd: height * THUMB_OFF, set: true };
  return { ...p, pins: { ...p.pins, [p.at]: pin } };
}

/** What stands is right: confirmed where it was a guess. */
export function confirmIt(p: Pinning, sheet: Sheet): Pinning {
  const pin = p.pins[p.at];
  return !pin || pin.set ? p : putAt(remember(p), pin.x, pin.y, sheet);
}

/** Nothing of it is to be seen: it keeps its guess and its doubt, and is not asked for. Once more: it is seen after all. */
export function cover(p: Pinning): Pinning {
  const pin = p.pins[p.at];
  if (!pin || pin.set) return p;
  return { ...remember(p), pins: { ...p.pins, [p.at]: { ...pin, covered: !pin.covered } } };
}

export function undoPin(p: Pinning): Pinning {
  const last = p.before.at(-1);
  return last ? { ...last, before: p.before.slice(0, -1) } : p;
}

/** Where the thumb goes next: what is asked for, or else the next from the ground up that is neither set nor covered. */
export function onwardsFrom(p: Pinning, view: View, asked: Pinned | null, needs: readonly Pinned[]): Pinning {
  const open = LANDMARKS[view].find((n) => needs.includes(n) && !p.pins[n]?.set && !p.pins[n]?.covered);
  return { ...p, at: asked ?? open ?? p.at };
}
