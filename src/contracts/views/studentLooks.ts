// What is shown of one student.
import type { Purpose, Side, Stage } from '../../core';

export interface StudentLooksView {
  looks: {
    id: string;
    day: string;
    item: string;
    condition: string;
    side: Side;
    purpose: Purpose | null;
    stage: Stage | null;
    by: string;
    note: string;
    partner: string | null;
    replaced: boolean;
    marks: { point: string; words: string; felt: string | null }[];
  }[];
}
