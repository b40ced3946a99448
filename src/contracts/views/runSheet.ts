import type { DayCandidate, DayItem, DaySettings } from '../../core';
import type { DayKept } from '../runSheet';

/** "How does the day run?": who goes up, what each belt shows, who looks, and the day as it was laid out last. */
export interface RunSheetView {
  grading: { id: string; title: string; day: string; hall: string | null; repetitions: number; closed: boolean };
  candidates: DayCandidate[];
  items: Record<string, DayItem[]>;
  panel: { id: string; name: string }[];
  /** As it begins where nothing was laid out yet. */
  usual: DaySettings;
  /** Null: nothing was laid out yet. */
  laid: { day: DayKept; version: number } | null;
  today: string;
}
