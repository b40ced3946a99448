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
  certificateHead: string;
  certificateWording: string;
  /** Since when the key in use signs certificates, and how many there were before it; null: none was given yet. */
  signs: { since: string; before: number } | null;
  halls: HallShown[];
}
