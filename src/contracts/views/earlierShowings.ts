// What the mat takes along.
import type { CountSlip } from '../../core';

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
  }[];
}
