import { LENGTH_ENDS, type View } from './body';
import type { Pin, Pins, Scale } from './doubt';

/** Bodies differ from the table, and nobody stands quite in the plane of the picture: so far off is a scale by stature (ours). */
const STATURE_OFF = 0.04;
/** Shoulders differ more than legs do, and are seldom quite square to the picture (ours). */
const BREADTH_OFF = 0.07;
/** A length beside the body lies a little before or behind it (ours). */
const LENGTH_OFF = 0.02;

/** A scale from the pixels of a chain of landmarks that is so many metres long; null where one is missing or it has no length. */
function chain(needs: Scale['needs'], metres: number, off: number): Scale {
  return {
    needs,
    off,
    of: (pins: Pins) => {
      const all = needs.map((n) => pins[n]);
      if (all.some((p) => p === undefined)) return null;
      let pixels = 0;
      for (const [i, p] of (all as Pin[]).slice(1).entries()) pixels += Math.hypot(p.x - all[i]!.x, p.y - all[i]!.y);
      return pixels > 0 ? metres / pixels : null;
    },
  };
}

/**
 * From somebody’s stature in metres: from the side by what the table of bodies gives shank, thigh and trunk, from the front
 * by the breadth of the shoulders; null: nothing of a body from above tells its size.
 * Winter (from memory): ankle .039, shoulder .818, breadth of the shoulders .259 of stature.
 */
export function scaleByStature(view: View, stature: number): Scale | null {
  if (view === 'side')
    return chain(['ankle front', 'knee front', 'hip', 'shoulder'], stature * (0.818 - 0.039), STATURE_OFF);
  return view === 'front' ? chain(['shoulder left', 'shoulder right'], stature * 0.259, BREADTH_OFF) : null;
}

/** From something of known length that lies in the plane of the body, as a staff on the ground, in metres. */
export const scaleByLength = (metres: number): Scale => chain(LENGTH_ENDS, metres, LENGTH_OFF);
