import type { BodySide } from '../sequence/move';
import type { StanceGeometry } from './stance';

/** Metres on the floor: x east, y north; the start faces north. */
export interface Spot {
  x: number;
  y: number;
}
/** The middle of a foot, and where its toes point: degrees clockwise from north. */
export interface FootSpot extends Spot {
  angle: number;
}

export interface Body {
  /** Metres. */
  stature: number;
  /** Length of what is held, in metres; 0 for empty hands. */
  weapon?: number | undefined;
  /** Geometry of the school's own stances, by name. */
  stances?: ((name: string) => StanceGeometry | null) | undefined;
}

export interface At {
  left: FootSpot;
  right: FootSpot;
  /** Degrees clockwise from north, 0…359. */
  heading: number;
  lead: BodySide | null;
  stance: string | null;
  /** Share of the weight on the left foot in hundredths. */
  weightStart: number;
  weightEnd: number;
  centre: Spot;
  /** How far the centre moved in this count, in metres. */
  shift: number;
  /** How far the centre has sunk, as a share of stature. */
  sink: number;
  moved: BodySide[];
  /** The foot in the air at the end of the count (a kick that is not set down). */
  lifted: BodySide | null;
  /** The way of the foot that stepped: an arc when a turn is swung, straight otherwise. */
  path: Spot[];
  /** How far the longest limb of this count reaches from the centre, in metres. */
  reach: number;
}

export interface Trace {
  start: At;
  at: readonly At[];
  body: { stature: number; shoulderBreadth: number; footLength: number; reach: number };
  box: { west: number; east: number; south: number; north: number };
  /** From the start to the last count: metres, metres east and north, and degrees still turned off (−180…180). */
  closing: { distance: number; east: number; north: number; degrees: number };
}
