// What is shown of one student.
import type { MarkInput } from '../look';
import type { Strikable } from '../struck';
import type { Purpose, Side, Stage } from '../../core';

/** A mark in words, and as it was sent; of counts only the words. */
export interface MarkShown {
  point: string;
  words: string;
  felt: string | null;
  unit: string | null;
  sent: MarkInput | null;
}

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
    /** Of a drill for two: in which role. */
    role: string | null;
    partner: string | null;
    replaced: boolean;
    /** The day on which it was entered, where that was later. */
    later: string | null;
    /** Whether who reads may put it right or strike it. */
    mends: boolean;
    /** A technique's: its marks can be put right. A showing is struck and marked again. */
    technique: boolean;
    marks: MarkShown[];
  }[];
  /** What was struck of all that is on record of the student, newest first; teachers read it. */
  struck: { id: string; kind: Strikable; says: string; reason: string; by: string; day: string }[];
}
