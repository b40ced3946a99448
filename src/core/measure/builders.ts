import { figureOf, type Place, type Pose } from '../technique/pose';
import type { Landmark, Sighted } from './body';
import type { Pin, Pins, Scale } from './doubt';
import { MEASURES } from './measures';

export const STATURE = 1.7;
export const PX = 360;

/** A body from the side as the core draws it, in metres: left foot forward, facing right. */
export function bodyFrom(pose: Pose, stature = STATURE): Sighted {
  const f = figureOf(pose);
  const m = (p: Place): Place => ({ x: p.x * stature, y: p.y * stature });
  const heel = (l: { ankle: Place; toe: Place }): Place => ({ x: (l.ankle.x - 0.04) * stature, y: l.toe.y * stature });
  return {
    'heel front': heel(f.left),
    'toe front': m(f.left.toe),
    'heel rear': heel(f.right),
    'toe rear': m(f.right.toe),
    'ankle front': m(f.left.ankle),
    'ankle rear': m(f.right.ankle),
    'knee front': m(f.left.knee),
    'knee rear': m(f.right.knee),
    hip: m(f.hip),
    shoulder: m(f.shoulder),
    'elbow left': m(f.leftArm.elbow),
    'elbow right': m(f.rightArm.elbow),
    'wrist left': m(f.leftArm.wrist),
    'wrist right': m(f.rightArm.wrist),
    ear: { x: f.head.x * stature, y: f.head.y * stature },
  };
}
export const normal = (random: () => number) =>
  Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
export const aPose = (random: () => number): Pose => {
  const between = (lo: number, hi: number) => lo + (hi - lo) * random();
  return {
    left: { thigh: between(20, 60), bend: between(20, 65) },
    right: { thigh: between(-45, -15), bend: between(5, 30) },
    stands: 'left',
    rightArm: { upper: between(-40, 95), bend: between(5, 110) },
    leftArm: { upper: between(-60, 60), bend: between(15, 120) },
    lean: between(-8, 15),
  };
};
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
export const truth = (b: Sighted) =>
  new Map(MEASURES.filter((k) => k.view === 'side').map((k) => [k.key, k.of(b, STANDS, { mass: () => 1, trunk: 0 })]));
