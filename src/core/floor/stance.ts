import { fold } from '../units/fold';

/**
 * A stance seen from above. Lengths in shoulder breadths, degrees outward from the facing, the share of weight on the
 * forward foot in hundredths. Length runs along the facing from the rear heel's foot centre to the forward one, width
 * is the distance of the two tracks.
 */
export interface StanceGeometry {
  length: number;
  width: number;
  leadTurn: number;
  rearTurn: number;
  leadWeight: number;
  /** How far the centre sinks from standing straight, as a share of stature. */
  sink: number;
}

const g = (
  length: number,
  width: number,
  leadTurn: number,
  rearTurn: number,
  leadWeight: number,
  sink: number,
): StanceGeometry => ({ length, width, leadTurn, rearTurn, leadWeight, sink });

/** Where nothing else is known of a stance: common practice, no source. */
export const COMMON_STANCES: Readonly<Record<string, StanceGeometry>> = {
  'natural stance': g(0, 1, 0, 0, 50, 0),
  'ready stance': g(0, 0.8, 0, 0, 50, 0),
  'closed stance': g(0, 0.3, 0, 0, 50, 0),
  'guard stance': g(0.9, 0.7, 10, 30, 50, 0.02),
  'front stance': g(2, 0.8, 0, 28, 60, 0.07),
  'back stance': g(1.75, 0, 0, 75, 30, 0.08),
  'cat stance': g(0.8, 0.1, 0, 30, 10, 0.1),
  'straddle stance': g(0, 2, 0, 0, 50, 0.12),
  'cross stance': g(0.5, -0.3, 0, 20, 80, 0.06),
  'one leg stance': g(0, 0.2, 0, 15, 0, 0.02),
};

export const NATURAL: StanceGeometry = COMMON_STANCES['natural stance']!;

export const commonStance = (name: string): StanceGeometry | null => COMMON_STANCES[fold(name)] ?? null;
