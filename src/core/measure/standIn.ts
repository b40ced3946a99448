// Somebody drawn, for trying out and for tests: posed by the table of bodies, so that all that can be measured is known.
import { figureOf, poseOf, type Figure, type Place, type Pose } from '../technique/pose';
import type { Sighted } from './body';
import { MEASURES } from './measures';

/** Left foot in front, facing right, in whatever pose chance gives: a front stance as people stand in it, with any arms. */
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

/** The landmarks of a figure from the side, in metres: left foot forward, facing right. */
export function sightedOf(f: Figure, stature: number): Sighted {
  const m = (p: Place): Place => ({ x: p.x * stature, y: p.y * stature });
  const heel = (l: { ankle: Place; toe: Place }): Place => m({ x: l.ankle.x - 0.04, y: l.toe.y });
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
    ear: m(f.head),
  };
}

/** What is true of somebody drawn, by the key of each number that the side tells; nobody is off the table. */
export function trueOf(seen: Sighted, stature: number): Map<string, number> {
  const exactly = { mass: () => 1, trunk: 0 };
  return new Map(
    MEASURES.filter((k) => k.view === 'side').map((k) => [k.key, k.of(seen, { stature, facing: 1 }, exactly)]),
  );
}

/** A step forward with a punch: when its foot lands and its hand arrives, in milliseconds after it begins. */
export interface AStep {
  footLands: number;
  handArrives: number;
}

/** The figure so many milliseconds into a step; from then on it stands. The rear foot stays where it is. */
export function stepAt(ms: number, { footLands, handArrives }: AStep): Figure {
  const end = poseOf('strike');
  const mix = (a: number, b: number, u: number) => a + (b - a) * u;
  // Both speed up on the way, and stop at once: on the floor, and at full reach.
  const [foot, hand] = [
    Math.min(1, Math.max(0, ms / footLands)) ** 1.3,
    Math.min(1, Math.max(0, ms / handArrives)) ** 1.3,
  ];
  const figure = figureOf({
    left: { thigh: mix(-28, end.left.thigh, foot), bend: mix(58, end.left.bend, foot) },
    right: { thigh: mix(4, end.right.thigh, foot), bend: mix(14, end.right.bend, foot) },
    stands: 'right',
    rightArm: { upper: mix(-46, end.rightArm.upper, hand), bend: mix(98, end.rightArm.bend, hand) },
    leftArm: { upper: mix(70, end.leftArm.upper, hand), bend: mix(12, end.leftArm.bend, hand) },
    lean: end.lean,
  });
  return shifted(figure, -figure.right.ankle.x);
}

const shifted = (f: Figure, by: number): Figure => {
  const to = (p: Place): Place => ({ x: p.x + by, y: p.y });
  const leg = (l: Figure['left']) => ({ knee: to(l.knee), ankle: to(l.ankle), toe: to(l.toe) });
  const arm = (a: Figure['leftArm']) => ({ elbow: to(a.elbow), wrist: to(a.wrist), tip: to(a.tip) });
  return {
    hip: to(f.hip),
    shoulder: to(f.shoulder),
    head: to(f.head),
    left: leg(f.left),
    right: leg(f.right),
    leftArm: arm(f.leftArm),
    rightArm: arm(f.rightArm),
  };
};
