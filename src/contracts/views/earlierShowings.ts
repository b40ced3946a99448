// What the mat takes along.
import type { CountSlip, Lane } from '../../core';

/** Earlier showings of one sequence, newest first. */
export interface EarlierShowingsView {
  showings: {
    id: string;
    studentId: string;
    day: string;
    from: number;
    counts: string;
    by: string;
    byMe: boolean;
    slips: CountSlip[];
    /** Of a drill for two: whose part was watched. */
    lane: Lane | null;
  }[];
}
