import { figureOf, type Place, type Pose } from '../../technique/pose';
import type { Landmark, Sighted } from '../body';
import type { Pin, Pins, Scale } from '../doubt';
import { sightedOf, trueOf } from '../standIn';

export { aPose } from '../standIn';

export const STATURE = 1.7;
export const PX = 360;

/** A body from the side as the core draws it, in metres. */
export const bodyFrom = (pose: Pose, stature = STATURE): Sighted => sightedOf(figureOf(pose), stature);
export const truth = (b: Sighted) => trueOf(b, STATURE);

export const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
export const STANDS = { stature: STATURE, facing: 1 } as const;
/** Pins where the body truly is, each moved by its own error. */
export const pinsOf = (b: Sighted, sd: (name: Landmark) => number, random: (() => number) | null, set = true): Pins =>
  Object.fromEntries(
    (Object.entries(b) as [Landmark, Place][]).map(([name, p]): [Landmark, Pin] => {
      const off = () => (random ? normal(random) * sd(name) : 0);
      return [name, { x: p.x * PX + off(), y: -p.y * PX + off(), sd: sd(name), set }];
    }),
  );
/** A length that is known of itself, whatever is seen. */
export const scaleOf = (metres: number): Scale => ({ of: () => metres, needs: [], off: 0.012 });
export const SCALE = scaleOf(1 / PX);
