// What the mat takes along.
import type { Side } from '../../core';

/** The newest marks of everybody on the points of one technique, newest first, at most five a point, side and student. */
export interface EarlierMarksView {
  marks: {
    studentId: string;
    pointId: string;
    side: Side;
    conditionId: string;
    day: string;
    held: number;
    of: number;
    lookId: string;
    /** Who watched, where it was not the one who asks. */
    by: string | null;
  }[];
}
