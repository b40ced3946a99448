import { figureOf, poseOf, type Place } from '../technique/pose';
import { LANDMARKS, type Sighted, type Landmark, type View } from './body';
import type { Pin, Pins } from './doubt';

/** What a thumb is off by with the magnifier, and a guess where nothing is known, as shares of the picture’s height. */
export const THUMB_OFF = 0.004;
export const GUESS_OFF = 0.12;

/** A body in front stance from the side, in statures, its left foot in front: where guesses begin. */
export function inFrontStance(): Sighted {
  const f = figureOf(poseOf('strike'));
  const heel = (l: { ankle: Place; toe: Place }): Place => ({ x: l.ankle.x - 0.04, y: l.toe.y });
  return {
    'heel front': heel(f.left),
    'toe front': f.left.toe,
    'heel rear': heel(f.right),
    'toe rear': f.right.toe,
    'ankle front': f.left.ankle,
    'ankle rear': f.right.ankle,
    'knee front': f.left.knee,
    'knee rear': f.right.knee,
    hip: f.hip,
    shoulder: f.shoulder,
    'elbow left': f.leftArm.elbow,
    'elbow right': f.rightArm.elbow,
    'wrist left': f.leftArm.wrist,
    'wrist right': f.rightArm.wrist,
    ear: f.head,
  };
}
/** Shares of stature after the body’s table, seen from the front; the person’s left is on the right of the picture. */
const FACING: Sighted = {
  'ankle left': { x: 0.13, y: 0.04 },
  'ankle right': { x: -0.13, y: 0.04 },
  'hip left': { x: 0.09, y: 0.5 },
  'hip right': { x: -0.09, y: 0.5 },
  'shoulder left': { x: 0.13, y: 0.79 },
  'shoulder right': { x: -0.13, y: 0.79 },
  'elbow left': { x: 0.17, y: 0.62 },
  'elbow right': { x: -0.17, y: 0.62 },
  nose: { x: 0, y: 0.9 },
};
const BELOW: Sighted = {
  'heel left': { x: -0.15, y: 0.35 },
  'toe left': { x: -0.15, y: 0.65 },
  'heel right': { x: 0.15, y: 0.35 },
  'toe right': { x: 0.15, y: 0.65 },
};

/** Where each landmark is looked for first: a body of three quarters of the picture’s height in its middle, all guesses. */
export function firstPins(view: View, width: number, height: number, facing: 1 | -1): Pins {
  const body = view === 'side' ? inFrontStance() : view === 'front' ? FACING : BELOW;
  const k = height * (view === 'above' ? 0.9 : 0.78);
  const foot = view === 'above' ? height * 0.95 : height * 0.92;
  return Object.fromEntries(
    LANDMARKS[view].map((n): [Landmark, Pin] => {
      const p = body[n]!;
      return [
        n,
        {
          x: width / 2 + p.x * k * (view === 'side' ? facing : 1),
          y: foot - p.y * k,
          sd: height * GUESS_OFF,
          set: false,
        },
      ];
    }),
  );
}

/** Where the ends of a known length are looked for first: along the ground, across a quarter of the picture. */
export function firstEnds(width: number, height: number): Pins {
  const end = (x: number): Pin => ({ x: width * x, y: height * 0.94, sd: height * GUESS_OFF, set: false });
  return { 'length from': end(0.38), 'length to': end(0.62) };
}
