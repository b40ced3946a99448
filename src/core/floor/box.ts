import { SHARE } from './share';
import type { At, Body, Spot, Trace } from './ground';

type Box = Trace['box'];

/** Before anything has been done: whatever comes is outside it. */
export const NO_ROOM: Box = { west: Infinity, east: -Infinity, south: Infinity, north: -Infinity };

/** A box and one count more: its feet, its body, its longest limb. */
export function grown(box: Box, a: At, body: Body): Box {
  const half = (SHARE.shoulderBreadth / 2) * body.stature;
  const foot = (SHARE.footLength / 2) * body.stature;
  let { west, east, south, north } = box;
  const take = ({ x, y }: Spot, r: number) => {
    west = Math.min(west, x - r);
    east = Math.max(east, x + r);
    south = Math.min(south, y - r);
    north = Math.max(north, y + r);
  };
  take(a.centre, half);
  take(a.left, foot);
  take(a.right, foot);
  const faces = (a.heading * Math.PI) / 180;
  if (a.reach > 0) take({ x: a.centre.x + Math.sin(faces) * a.reach, y: a.centre.y + Math.cos(faces) * a.reach }, 0.05);
  return { west, east, south, north };
}

/** The smallest box, walls along the start's facing, that holds feet, body and the longest limb of every count. */
export const boxOf = (at: readonly At[], body: Body): Box =>
  at.length === 0 ? { west: 0, east: 0, south: 0, north: 0 } : at.reduce((box, a) => grown(box, a, body), NO_ROOM);
