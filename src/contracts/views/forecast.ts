// What is shown of one student.
import type { ForecastInput } from '../../core';

export interface ForecastView {
  name: string;
  rank: string;
  /** Null: this is the last belt. */
  input: ForecastInput | null;
}
