import type { BodyPart } from './point';
import type { TechniqueKind } from './technique';

/**
 * Lengths of segments as a share of stature, from Winter, *Biomechanics and Motor Control of Human Movement*, after
 * Drillis & Contini 1966 (from memory).
 */
export const BODY = {
  ankleHeight: 0.039,
  shank: 0.285 - 0.039,
  thigh: 0.53 - 0.285,
  trunk: 0.818 - 0.53,
  neck: 0.87 - 0.818,
  headRadius: 0.065,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  foot: 0.152,
} as const;

/** A place in the side view: x forward, y up from the floor, both in statures. */
export interface Place {
  x: number;
  y: number;
}

interface Leg {
  /** Degrees of the thigh from straight down, forward positive, and of the knee's bend. */
  thigh: number;
  bend: number;
}
interface Arm {
  upper: number;
  bend: number;
}
export interface Pose {
  /** The acting side and the other one. `stands` is the leg that carries the figure onto the floor. */
  right: Leg;
  left: Leg;
  stands: 'right' | 'left';
  rightArm: Arm;
  leftArm: Arm;
  lean: number;
}

export interface Figure {
  hip: Place;
  shoulder: Place;
  head: Place;
  right: { knee: Place; ankle: Place; toe: Place };
  left: { knee: Place; ankle: Place; toe: Place };
  rightArm: { elbow: Place; wrist: Place; tip: Place };
  leftArm: { elbow: Place; wrist: Place; tip: Place };
}

const rad = (d: number) => (d * Math.PI) / 180;
const down = (from: Place, length: number, degrees: number): Place => ({
  x: from.x + length * Math.sin(rad(degrees)),
  y: from.y - length * Math.cos(rad(degrees)),
});

/** The rear leg's angle that puts its foot on the floor too, if it is straight. */
const straightBehind = (front: Leg) =>
  -(
    Math.acos(
      (BODY.thigh * Math.cos(rad(front.thigh)) + BODY.shank * Math.cos(rad(front.thigh - front.bend))) /
        (BODY.thigh + BODY.shank),
    ) * 180
  ) / Math.PI;

const GUARD: Arm = { upper: 18, bend: 128 };
const front: Leg = { thigh: 48, bend: 50 };
const soft: Leg = { thigh: 14, bend: 20 };

const POSES: Record<TechniqueKind, Pose> = (() => {
  const stance: Pose = {
    left: front,
    right: { thigh: straightBehind(front), bend: 0 },
    stands: 'left',
    rightArm: { upper: 88, bend: 2 },
    leftArm: { upper: -52, bend: 98 },
    lean: 0,
  };
  const low: Leg = { thigh: 34, bend: 40 };
  const upright: Pose = {
    left: { thigh: 6, bend: 4 },
    right: { thigh: -3, bend: 4 },
    stands: 'left',
    rightArm: { upper: 84, bend: 6 },
    leftArm: { upper: -50, bend: 98 },
    lean: 0,
  };
  const kick: Pose = {
    left: { thigh: 10, bend: 16 },
    right: { thigh: 92, bend: 12 },
    stands: 'left',
    rightArm: { upper: -8, bend: 104 },
    leftArm: GUARD,
    lean: -10,
  };
  return {
    stance: { ...stance, rightArm: { upper: -46, bend: 96 } },
    step: { ...stance, left: low, right: { thigh: straightBehind(low), bend: 0 }, rightArm: { upper: -46, bend: 96 } },
    turn: { ...stance, left: soft, right: { thigh: straightBehind(soft), bend: 0 }, rightArm: { upper: 40, bend: 50 } },
    strike: stance,
    block: { ...stance, rightArm: { upper: 46, bend: 74 } },
    kick,
    'hand shape': upright,
    grip: { ...upright, rightArm: { upper: 60, bend: 34 } },
    fall: {
      ...upright,
      left: { thigh: 66, bend: 92 },
      right: { thigh: 62, bend: 96 },
      rightArm: { upper: 40, bend: 30 },
      leftArm: { upper: 30, bend: 30 },
      lean: 18,
    },
    evasion: {
      ...stance,
      left: low,
      right: { thigh: straightBehind(low), bend: 0 },
      rightArm: GUARD,
      leftArm: { upper: 30, bend: 110 },
      lean: 22,
    },
    'weapon cut': { ...stance, rightArm: { upper: 70, bend: 22 }, leftArm: { upper: 40, bend: 40 } },
  };
})();

/** The pose in which a kind of technique is drawn; a drawing to point at, not a standard. */
export const poseOf = (kind: TechniqueKind): Pose => POSES[kind];

/** Joints of a pose from the body tables; the standing leg's ankle is at ankle height above the floor. */
export function figureOf(pose: Pose): Figure {
  const standing = pose[pose.stands];
  const hip: Place = {
    x: 0,
    y:
      BODY.ankleHeight +
      BODY.thigh * Math.cos(rad(standing.thigh)) +
      BODY.shank * Math.cos(rad(standing.thigh - standing.bend)),
  };
  const leg = (l: Leg) => {
    const knee = down(hip, BODY.thigh, l.thigh);
    const ankle = down(knee, BODY.shank, l.thigh - l.bend);
    const grounded = ankle.y < BODY.ankleHeight + 0.02;
    const toe = grounded
      ? { x: ankle.x + BODY.foot * 0.75, y: 0.006 }
      : down(ankle, BODY.foot * 0.8, l.thigh - l.bend + 62);
    return { knee, ankle, toe };
  };
  const shoulder: Place = {
    x: hip.x + BODY.trunk * Math.sin(rad(pose.lean)),
    y: hip.y + BODY.trunk * Math.cos(rad(pose.lean)),
  };
  const head: Place = {
    x: shoulder.x + (BODY.neck + BODY.headRadius) * Math.sin(rad(pose.lean * 0.6)) + 0.012,
    y: shoulder.y + (BODY.neck + BODY.headRadius) * Math.cos(rad(pose.lean * 0.6)),
  };
  const arm = (a: Arm) => {
    const elbow = down(shoulder, BODY.upperArm, a.upper);
    const wrist = down(elbow, BODY.forearm, a.upper + a.bend);
    return { elbow, wrist, tip: down(wrist, BODY.hand * 0.6, a.upper + a.bend) };
  };
  return {
    hip,
    shoulder,
    head,
    right: leg(pose.right),
    left: leg(pose.left),
    rightArm: arm(pose.rightArm),
    leftArm: arm(pose.leftArm),
  };
}

const BASE = /\b(base|standing|supporting|front|lead|leading|rear|hind)\b/;
const FRONT = /\b(front|lead|leading)\b/;
const REAR = /\b(rear|hind|back (foot|heel|knee|leg|hand|elbow|toes?))\b/;

/**
 * Where on the figure a point is pointed at. Which of two feet, knees or hands is read from its name, for the drawing
 * alone: in a kick the kicking leg unless the base is named; else the rear foot, the front knee, and the acting hand.
 * The left leg of a figure stands in front, the left hand leads.
 */
export function placeOf(point: { bodyPart: BodyPart; name?: string }, figure: Figure, kind: TechniqueKind): Place {
  const kicks = kind === 'kick';
  const tip = kicks ? figure.right.toe : figure.rightArm.tip;
  const name = (point.name ?? '').toLowerCase();
  const leg = (usual: 'left' | 'right') =>
    kicks ? (BASE.test(name) ? 'left' : 'right') : FRONT.test(name) ? 'left' : REAR.test(name) ? 'right' : usual;
  const arm = (usual: 'leftArm' | 'rightArm') => (FRONT.test(name) ? 'leftArm' : REAR.test(name) ? 'rightArm' : usual);
  switch (point.bodyPart) {
    case 'feet':
      return kicks && leg('right') === 'right' ? figure.right.toe : figure[leg('right')].ankle;
    case 'knees':
      return figure[leg('left')].knee;
    case 'hips':
      return figure.hip;
    case 'trunk':
      return { x: (figure.hip.x + figure.shoulder.x) / 2, y: (figure.hip.y + figure.shoulder.y) / 2 };
    case 'shoulders':
      return figure.shoulder;
    case 'limb':
      return kicks ? figure.right.knee : figure[arm('rightArm')].elbow;
    case 'hand':
      return figure[arm('rightArm')].wrist;
    case 'target':
      return { x: tip.x + 0.06, y: tip.y };
    case 'other hand':
      return figure[arm('leftArm')].wrist;
    case 'breath':
      return { x: figure.head.x + 0.05, y: figure.head.y - 0.03 };
    case 'timing':
      return { x: tip.x, y: tip.y + 0.1 };
    case 'eyes':
      return { x: figure.head.x + 0.05, y: figure.head.y + 0.02 };
  }
}
