import { type Body } from '../../floor/trace';

export interface StaveRows {
  sections: boolean;
  breath: boolean;
  facing: boolean;
  turn: boolean;
  feet: boolean;
  weight: boolean;
  names: boolean;
  labels: boolean;
}

export interface StaveOptions {
  body: Body;
  /** Width of a column in drawing units; 64 on the desk. */
  column: number;
  /** Between two zone lines. */
  zoneGap: number;
  /** Size of marks and letters against those of the desk. */
  scale: number;
  rows: Partial<StaveRows>;
  /** Columns in one line of the sheet; null: one line, however long. */
  perLine: number | null;
  /** Moves (0-based) that depart from what the recipe gives. */
  departs: ReadonlySet<number>;
  /** After how many moves a move of the parent is left out. */
  gaps: readonly number[];
  /** Which sectioning is shown above. */
  sectioning: number;
}

export const DESK_STAVE: StaveOptions = {
  body: { stature: 1.7 },
  column: 64,
  zoneGap: 27,
  scale: 1,
  rows: {},
  perLine: null,
  departs: new Set(),
  gaps: [],
  sectioning: 1,
};
