/** How good a thing must be. Shares from 0 to 1. */
export interface Standard {
  /** Share of repetitions that must hold for a point to stand. */
  share: number;
  /** The same for critical points. */
  criticalShare: number;
  /** How many repetitions are looked at. */
  repetitions: number;
  /** On how many days at least they were made. */
  days: number;
  sides: 'both' | 'one';
  /** How old the newest repetition may be, in days. */
  freshDays: number;
  /** How many points that are not critical may fall short. */
  mayFallShort: number;
}

/** The school's usual standard until it sets its own. */
export const STEADY: Standard = {
  share: 0.8,
  criticalShare: 0.9,
  repetitions: 10,
  days: 2,
  sides: 'both',
  freshDays: 60,
  mayFallShort: 0,
};

export type Purpose = 'show' | 'study';

/** What a rank asks of an item. */
export interface Requirement {
  id: string;
  techniqueId: string;
  conditionId: string;
  purpose: Purpose | null;
  standard: Standard;
}

/** In words: "8 of 10 on 2 days, both sides, seen within 60 days". */
export function standardInWords(s: Standard, sided: boolean): string {
  const need = Math.ceil(s.share * s.repetitions - 1e-9);
  const days = s.days > 1 ? ` on ${s.days} days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', both sides' : ', one side';
  return `${need} of ${s.repetitions}${days}${sides}, seen within ${s.freshDays} days`;
}
