/** Where on the body one looks, in the order in which one looks: from the ground up, then what happens around it. */
export const BODY_PARTS = [
  'feet',
  'knees',
  'hips',
  'trunk',
  'shoulders',
  'limb',
  'hand',
  'target',
  'other hand',
  'breath',
  'timing',
  'eyes',
] as const;
export type BodyPart = (typeof BODY_PARTS)[number];

/** Seen by a watcher, measured in a unit, counted as hits of tries, or felt by the receiver or the performer. */
export const POINT_KINDS = ['seen', 'measured', 'counted', 'felt'] as const;
export type PointKind = (typeof POINT_KINDS)[number];

export const UNITS = ['°', 'cm', 'm', '%', 'ms', 's', 'kg', 'hand breadths', 'shoulder breadths'] as const;
export type Unit = (typeof UNITS)[number];

export const HURTS = ['nobody', 'self', 'partner'] as const;
export type Hurts = (typeof HURTS)[number];

export interface Range {
  lo: number;
  hi: number;
}

/** A way a point goes wrong. */
export interface Slip {
  id: string;
  looksLike: string;
  cause: string;
  cue: string;
  hurts: Hurts;
  /** What it can hurt and why, in plain words; empty where it hurts nobody. */
  hurtsHow: string;
}

/** One thing to look at in a technique. Ranges and unit only where it is measured; both ends are included. */
export interface Point {
  id: string;
  name: string;
  how: string;
  why: string;
  kind: PointKind;
  bodyPart: BodyPart;
  critical: boolean;
  unit: Unit | null;
  accepted: Range | null;
  wanted: Range | null;
  /** What it is read off on the device, one of `MEASURED_BY`; null: measured by hand, or as the device remembers. */
  measuredBy: string | null;
  slips: readonly Slip[];
}

export const isHeld = (value: number, accepted: Range): boolean => value >= accepted.lo && value <= accepted.hi;

/** Whether going wrong here can hurt somebody. */
export const canHurt = (point: Pick<Point, 'slips'>): boolean => point.slips.some((s) => s.hurts !== 'nobody');

const rankOf = new Map<BodyPart, number>(BODY_PARTS.map((b, i) => [b, i]));

/** Sorts points from the ground up; those on the same part of the body keep their order. */
export const fromTheGroundUp = <P extends Pick<Point, 'bodyPart'>>(points: readonly P[]): P[] =>
  [...points].sort((a, b) => rankOf.get(a.bodyPart)! - rankOf.get(b.bodyPart)!);
