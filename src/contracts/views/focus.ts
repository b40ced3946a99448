// What is shown of one student.
import type { Side } from '../../core';

export interface SlipShown {
  pointId: string;
  point: string;
  side: Side;
  hurts: boolean;
  held: number;
  of: number;
  needs: string;
  cue: string;
  requirements: string[];
}

export interface FocusShown extends SlipShown {
  how: string;
  slip: string;
  hurtsHow: string;
  since: string | null;
  chosen: boolean;
  why: string;
  holds: string;
}
