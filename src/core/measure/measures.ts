import type { Unit } from '../technique/point';
import type { Place } from '../technique/pose';
import {
  feetApart,
  jointAngle,
  leanOf,
  SIDE_LANDMARKS,
  weightSplit,
  type Sighted,
  type BodyDiffers,
  type Landmark,
  type View,
} from './body';

/** What the picture is of, besides its landmarks. */
export interface Subject {
  /** In metres. */
  stature: number;
  /** Which way the body faces in the picture: 1 to the right. */
  facing: 1 | -1;
}

/** A number that can be read off a picture. */
export interface MeasureKind {
  key: string;
  view: View;
  unit: Unit;
  /** A length: it is as wrong as the scale is. */
  scaled: boolean;
  /** It rests on the table of bodies. */
  weighed: boolean;
  needs: readonly Landmark[];
  /** From landmarks in metres, all of which are there. */
  of: (b: Sighted, s: Subject, differs: BodyDiffers) => number;
}

const BREADTH = 0.259;
const at = (b: Sighted, name: Landmark): Place => b[name]!;
const angle =
  (a: Landmark, mid: Landmark, c: Landmark) =>
  (b: Sighted): number =>
    jointAngle(at(b, a), at(b, mid), at(b, c));
const turned = (heel: Place, toe: Place): number => (Math.atan2(toe.x - heel.x, toe.y - heel.y) * 180) / Math.PI;
const middle = (p: Place, q: Place): number => (p.x + q.x) / 2;
const FEET = ['heel front', 'toe front', 'heel rear', 'toe rear'] as const;
const plain = { scaled: false, weighed: false };

/**
 * What is measured from where (F 64, common practice, no source). Side: knees, elbows, lean, the line from hip to shoulder,
 * stance, weight. Front: two tracks, drift from the middle, flare of the elbows. Above: the angle between the feet.
 */
export const MEASURES: readonly MeasureKind[] = [
  {
    key: 'front knee',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['hip', 'knee front', 'ankle front'],
    of: angle('hip', 'knee front', 'ankle front'),
  },
  {
    key: 'rear knee',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['hip', 'knee rear', 'ankle rear'],
    of: angle('hip', 'knee rear', 'ankle rear'),
  },
  {
    key: 'left elbow',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['shoulder', 'elbow left', 'wrist left'],
    of: angle('shoulder', 'elbow left', 'wrist left'),
  },
  {
    key: 'right elbow',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['shoulder', 'elbow right', 'wrist right'],
    of: angle('shoulder', 'elbow right', 'wrist right'),
  },
  {
    key: 'trunk lean',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['hip', 'shoulder'],
    of: (b, s) => leanOf(at(b, 'hip'), at(b, 'shoulder'), s.facing),
  },
  {
    key: 'rear line',
    view: 'side',
    unit: '°',
    ...plain,
    needs: ['shoulder', 'hip', 'knee rear'],
    of: angle('shoulder', 'hip', 'knee rear'),
  },
  {
    key: 'stance length',
    view: 'side',
    unit: 'cm',
    scaled: true,
    weighed: false,
    needs: FEET,
    of: (b, s) => feetApart(b)! * 100 * s.facing,
  },
  {
    key: 'stance length in breadths',
    view: 'side',
    unit: 'shoulder breadths',
    scaled: true,
    weighed: false,
    needs: FEET,
    of: (b, s) => (feetApart(b)! * s.facing) / (BREADTH * s.stature),
  },
  {
    key: 'front knee past toes',
    view: 'side',
    unit: 'cm',
    scaled: true,
    weighed: false,
    needs: ['knee front', 'toe front'],
    of: (b, s) => (at(b, 'knee front').x - at(b, 'toe front').x) * 100 * s.facing,
  },
  {
    key: 'weight on the front foot',
    view: 'side',
    unit: '%',
    scaled: false,
    weighed: true,
    needs: SIDE_LANDMARKS,
    of: (b, s, d) => weightSplit(b, { ...d, trunk: d.trunk * s.facing })! * 100,
  },
  {
    key: 'weight on the rear foot',
    view: 'side',
    unit: '%',
    scaled: false,
    weighed: true,
    needs: SIDE_LANDMARKS,
    of: (b, s, d) => (1 - weightSplit(b, { ...d, trunk: d.trunk * s.facing })!) * 100,
  },
  {
    key: 'tracks',
    view: 'front',
    unit: 'cm',
    scaled: true,
    weighed: false,
    needs: ['ankle left', 'ankle right'],
    of: (b) => Math.abs(at(b, 'ankle left').x - at(b, 'ankle right').x) * 100,
  },
  {
    key: 'tracks in breadths',
    view: 'front',
    unit: 'shoulder breadths',
    scaled: true,
    weighed: false,
    needs: ['ankle left', 'ankle right'],
    of: (b, s) => Math.abs(at(b, 'ankle left').x - at(b, 'ankle right').x) / (BREADTH * s.stature),
  },
  {
    key: 'drift from the middle',
    view: 'front',
    unit: 'cm',
    scaled: true,
    weighed: false,
    needs: ['ankle left', 'ankle right', 'hip left', 'hip right'],
    of: (b) =>
      (middle(at(b, 'hip left'), at(b, 'hip right')) - middle(at(b, 'ankle left'), at(b, 'ankle right'))) * 100,
  },
  {
    key: 'left elbow out',
    view: 'front',
    unit: '°',
    ...plain,
    needs: ['shoulder left', 'elbow left'],
    of: (b) =>
      jointAngle(
        { x: at(b, 'shoulder left').x, y: at(b, 'shoulder left').y - 1 },
        at(b, 'shoulder left'),
        at(b, 'elbow left'),
      ),
  },
  {
    key: 'right elbow out',
    view: 'front',
    unit: '°',
    ...plain,
    needs: ['shoulder right', 'elbow right'],
    of: (b) =>
      jointAngle(
        { x: at(b, 'shoulder right').x, y: at(b, 'shoulder right').y - 1 },
        at(b, 'shoulder right'),
        at(b, 'elbow right'),
      ),
  },
  {
    key: 'angle of the feet',
    view: 'above',
    unit: '°',
    ...plain,
    needs: ['heel left', 'toe left', 'heel right', 'toe right'],
    of: (b) => {
      const d =
        Math.abs(turned(at(b, 'heel left'), at(b, 'toe left')) - turned(at(b, 'heel right'), at(b, 'toe right'))) % 360;
      return d > 180 ? 360 - d : d;
    },
  },
];
