import type { Place } from '../technique/pose';

/** A part of the body: its share of the mass, and where its centre lies from the near end on, as a share of its length. */
export interface Segment {
  mass: number;
  centre: number;
}

/**
 * Winter, *Biomechanics and Motor Control of Human Movement*, table of body segments after Dempster (from memory): mass as
 * a share of the body’s, centre from the proximal end as a share of the segment. Head and neck from C7–T1 to the ear canal,
 * the trunk from the greater trochanter to the shoulder joint.
 */
export const SEGMENTS = {
  hand: { mass: 0.006, centre: 0.506 },
  forearm: { mass: 0.016, centre: 0.43 },
  upperArm: { mass: 0.028, centre: 0.436 },
  foot: { mass: 0.0145, centre: 0.5 },
  shank: { mass: 0.0465, centre: 0.433 },
  thigh: { mass: 0.1, centre: 0.433 },
  head: { mass: 0.081, centre: 1 },
  trunk: { mass: 0.497, centre: 0.5 },
} as const satisfies Record<string, Segment>;
export type SegmentName = keyof typeof SEGMENTS;

/** Landmarks of a picture from the side, in the order in which they are asked for: from the ground up. */
export const SIDE_LANDMARKS = [
  'heel front',
  'toe front',
  'heel rear',
  'toe rear',
  'ankle front',
  'ankle rear',
  'knee front',
  'knee rear',
  'hip',
  'shoulder',
  'elbow left',
  'elbow right',
  'wrist left',
  'wrist right',
  'ear',
] as const;
/** From the front: what stands on two tracks, and what drifts from the middle between them. */
export const FRONT_LANDMARKS = [
  'ankle left',
  'ankle right',
  'hip left',
  'hip right',
  'shoulder left',
  'shoulder right',
  'elbow left',
  'elbow right',
  'nose',
] as const;
/** From above: each foot from heel to toe. */
export const ABOVE_LANDMARKS = ['heel left', 'toe left', 'heel right', 'toe right'] as const;

export const VIEWS = ['side', 'front', 'above'] as const;
export type View = (typeof VIEWS)[number];
export type Landmark =
  | (typeof SIDE_LANDMARKS)[number]
  | (typeof FRONT_LANDMARKS)[number]
  | (typeof ABOVE_LANDMARKS)[number];
export const LANDMARKS: Record<View, readonly Landmark[]> = {
  side: SIDE_LANDMARKS,
  front: FRONT_LANDMARKS,
  above: ABOVE_LANDMARKS,
};

/** The ends of a length that one knows and that lies beside the body, as a staff. */
export const LENGTH_ENDS = ['length from', 'length to'] as const;
export type LengthEnd = (typeof LENGTH_ENDS)[number];

/** A body as it was sighted: landmarks in metres, x to the right and y up. */
export type Sighted = Readonly<Partial<Record<Landmark, Place>>>;

const between = (a: Place, b: Place, t: number): Place => ({ x: a.x + (b.x - a.x) * t, y: a.y + (b.y - a.y) * t });

/** Half a hand beyond the wrist, along the forearm: a fist. Winter (from memory): hand .108, forearm .146 of stature. */
const fist = (elbow: Place, wrist: Place): Place => between(elbow, wrist, 1 + (0.5 * 0.108) / 0.146);

/** Each segment of a body from the side with its centre; null where a landmark of it is missing. */
export function segmentCentres(b: Sighted): { name: SegmentName; at: Place }[] | null {
  const out: { name: SegmentName; at: Place }[] = [];
  let whole = true;
  const add = (name: SegmentName, near: Place | undefined, far: Place | undefined) => {
    if (near && far) out.push({ name, at: between(near, far, SEGMENTS[name].centre) });
    else whole = false;
  };
  for (const s of ['front', 'rear'] as const) {
    add('foot', b[`heel ${s}`], b[`toe ${s}`]);
    add('shank', b[`knee ${s}`], b[`ankle ${s}`]);
    add('thigh', b.hip, b[`knee ${s}`]);
  }
  add('trunk', b.hip, b.shoulder);
  add('head', b.shoulder, b.ear);
  for (const s of ['left', 'right'] as const) {
    const [elbow, wrist] = [b[`elbow ${s}`], b[`wrist ${s}`]];
    add('upperArm', b.shoulder, elbow);
    add('forearm', elbow, wrist);
    add('hand', wrist, elbow && wrist && fist(elbow, wrist));
  }
  return whole ? out : null;
}

/** How much heavier or lighter than the table each segment is, and how far the trunk’s centre lies ahead of its line. */
export interface BodyDiffers {
  mass: (name: SegmentName, place: number) => number;
  trunk: number;
}
export const AS_THE_TABLE: BodyDiffers = { mass: () => 1, trunk: 0 };

/** The centre of mass of a body from the side, in metres; null where a landmark is missing. */
export function centreOfMass(b: Sighted, differs: BodyDiffers = AS_THE_TABLE): Place | null {
  const parts = segmentCentres(b);
  if (!parts) return null;
  let [m, x, y] = [0, 0, 0];
  parts.forEach(({ name, at }, i) => {
    const w = SEGMENTS[name].mass * differs.mass(name, i);
    m += w;
    x += w * (at.x + (name === 'trunk' ? differs.trunk : 0));
    y += w * at.y;
  });
  return { x: x / m, y: y / m };
}

/** The middle of a foot on the floor. */
const footMiddle = (b: Sighted, s: 'front' | 'rear'): number | null => {
  const [heel, toe] = [b[`heel ${s}`], b[`toe ${s}`]];
  return heel && toe ? (heel.x + toe.x) / 2 : null;
};

/** Between the middles of both feet, from the rear one to the front one; null where a landmark is missing. */
export function feetApart(b: Sighted): number | null {
  const [rear, front] = [footMiddle(b, 'rear'), footMiddle(b, 'front')];
  return rear === null || front === null ? null : front - rear;
}

/**
 * The share of the weight on the front foot, 0 to 1, of a body that stands still: with its centre over x between two feet
 * at 0 and L the far foot carries x / L (principle of moments).
 */
export function weightSplit(b: Sighted, differs: BodyDiffers = AS_THE_TABLE): number | null {
  const c = centreOfMass(b, differs);
  const [rear, front] = [footMiddle(b, 'rear'), footMiddle(b, 'front')];
  return c === null || rear === null || front === null || front === rear ? null : (c.x - rear) / (front - rear);
}

/** The angle at `b` between `a` and `c`, in degrees, 0 to 180. */
export function jointAngle(a: Place, b: Place, c: Place): number {
  const [u, v] = [
    { x: a.x - b.x, y: a.y - b.y },
    { x: c.x - b.x, y: c.y - b.y },
  ];
  return (Math.atan2(Math.abs(u.x * v.y - u.y * v.x), u.x * v.x + u.y * v.y) * 180) / Math.PI;
}

/** How far a line leans from plumb, in degrees, towards the front positive. */
export const leanOf = (low: Place, high: Place, facing: 1 | -1): number =>
  (Math.atan2((high.x - low.x) * facing, high.y - low.y) * 180) / Math.PI;
