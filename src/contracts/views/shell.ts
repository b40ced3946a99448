// What every screen shows of belts, conditions and the shell.
import type { CountLanguageId } from '../../core';
import type { Role } from '../role';
import type { FirstStepsView } from './firstSteps';

export interface ShellView {
  school: { name: string; timeZone: string; languages: CountLanguageId[] };
  me: { personId: string; name: string; role: Role };
  today: string;
  /** Looks of one's own that others put right or struck in the last two weeks. */
  putRight: number;
  /** Of a school that has no verdict yet: what leads there, for its head. */
  firstSteps: FirstStepsView | null;
}
