// What is shown of everybody: the roll, who is ready, what was missed, how good chances were, who was hurt.
import type { Leniency, Reliability } from '../../core';

/** How good the chances were. */
export interface CalibrationView {
  gradings: Reliability | null;
  gradingCount: number;
  /** Chances that the next look's points would stand, said by the looks before it. */
  looks: Reliability | null;
  lookCount: number;
  /** Chances, said as of eight weeks ago, that all would be met by today, against what is met. */
  forecasts: Reliability | null;
  forecastCount: number;
  teachers: (Leniency & { name: string })[];
  recent: { name: string; rank: string; day: string; passed: boolean; words: string | null }[];
}
