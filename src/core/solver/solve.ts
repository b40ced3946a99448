/** One choice of the break, and before which minute (from the first begin on) no plan with it ends. */
export interface BreakChoice {
  column: string;
  least: number;
}

/**
 * A solver of programmes in LP text, for at most so many seconds or until so near its bound, begun from what is known. Gives
 * the values it found (null: none in that time) and what no solution goes below (null: it does not know).
 */
export type Solve = (
  text: string,
  options: {
    seconds: number;
    gap: number;
    start?: Readonly<Record<string, number>>;
    /** Columns of which one is chosen: each choice is solved by itself, and the least of all is the bound. */
    branches?: readonly BreakChoice[];
  },
) => { columns: Readonly<Record<string, number>> | null; bound: number | null };
