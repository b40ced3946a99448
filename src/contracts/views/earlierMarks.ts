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
  /** Whose marks these are, all of them: those looked at since; null: everybody's. */
  whose: string[] | null;
  /** The server's clock, from which the next question goes on. */
  at: string;
}

/** Marks with what is newer: who was looked at since stands as they are now. */
export const withNewer = (
  marks: EarlierMarksView['marks'],
  answer: Pick<EarlierMarksView, 'marks' | 'whose'>,
): EarlierMarksView['marks'] => {
  if (answer.whose === null) return answer.marks;
  if (answer.whose.length === 0) return marks;
  const whose = new Set(answer.whose);
  return [...answer.marks, ...marks.filter((m) => !whose.has(m.studentId))];
};
