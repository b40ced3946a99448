import type { Purpose, Stage } from '../syllabus/standard';
import type { ConditionId } from '../units/condition';

/** What one mark says as repetitions at one point, side and condition. `day` is a day number. */
export interface Entry {
  day: number;
  at: number;
  conditionId: ConditionId;
  purpose: Purpose | null;
  stage?: Stage | null;
  held: number;
  of: number;
}
