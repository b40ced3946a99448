import type { RankShown } from './rank';

/** What leads from an empty school to the first verdict, in order. */
export const FIRST_STEPS = ['stance', 'technique', 'way', 'publish', 'roll', 'class', 'look', 'verdict'] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** How far a new school has come. A step is done when the thing exists, however it came. */
export interface FirstStepsView {
  /** What was made, and when; a step that is left out is not done. */
  done: Partial<Record<FirstStep, { what: string; at: string | null }>>;
  /** What comes out is drawn from what was written, as soon as there is some. */
  points: string[];
  belts: Pick<RankShown, 'name' | 'cloth'>[];
  student: { id: string; name: string } | null;
  timeZone: string;
  today: string;
}
