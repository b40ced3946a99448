import type { CountLanguageId } from '../../core';
import type { HallShown } from './hall';

/** What the school has set for itself. */
export interface SchoolView {
  name: string;
  timeZone: string;
  usualMinutes: number;
  classDays: number;
  ofAge: number;
  languages: CountLanguageId[];
  halls: HallShown[];
}
