import type { Item } from './item';

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

/** The three standards every school begins with; it may write its own beside them. */
export const TEMPLATES: readonly { name: string; standard: Standard }[] = [
  {
    name: 'shown',
    standard: { ...STEADY, share: 0.6, criticalShare: 0.7, mayFallShort: 2, freshDays: 90 },
  },
  { name: 'steady', standard: STEADY },
  { name: 'strong', standard: { ...STEADY, share: 0.9, criticalShare: 0.95, repetitions: 20, days: 4 } },
];

export const PURPOSES = ['show', 'study'] as const;
export type Purpose = (typeof PURPOSES)[number];

/** How far the learning of an item has come: by counts, joined, in one motion. */
export const STAGES = ['by counts', 'joined', 'one motion'] as const;
export type Stage = (typeof STAGES)[number];

/** Rungs of contact, each beyond the one before; consent is asked for on every one (common practice, no source). */
export const RUNGS = [
  'slow, soft hands',
  'slow, with checks',
  'slow, gloves and pads',
  'faster, gloves and pads',
] as const;
export type Rung = (typeof RUNGS)[number];
/** What is worn on each rung. */
export const RUNG_GEAR: Readonly<Record<Rung, 'none' | 'gloves and pads'>> = {
  'slow, soft hands': 'none',
  'slow, with checks': 'none',
  'slow, gloves and pads': 'gloves and pads',
  'faster, gloves and pads': 'gloves and pads',
};

/** What a rank asks of an item. */
export interface Requirement {
  id: string;
  item: Item;
  conditionId: string;
  purpose: Purpose | null;
  standard: Standard;
  /** Null: not asked apart. */
  stage: Stage | null;
  /** The contact it is done with; null: none. */
  rung: Rung | null;
  /** Failing it fails the belt, whatever else is met. */
  critical: boolean;
}

/** The least number of held repetitions that reach a share of all. */
export const heldNeeded = (share: number, repetitions: number): number => Math.ceil(share * repetitions - 1e-9);

/** In words: "8 of 10 on 2 days, both sides, seen within 60 days". */
export function standardInWords(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const days = s.days > 1 ? ` on ${s.days} days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', both sides' : ', one side';
  return `${need} of ${s.repetitions}${days}${sides}, seen within ${s.freshDays} days`;
}

/** What makes one standard another, in the order in which it is said; empty where they are the same. */
export function standardChanges(was: Standard, now: Standard): string[] {
  const out: string[] = [];
  const say = (of: (s: Standard) => string) => {
    if (of(was) !== of(now)) out.push(`${of(now)}, was ${of(was)}`);
  };
  say((s) => `${heldNeeded(s.share, s.repetitions)} of ${s.repetitions}`);
  say((s) => `critical points ${heldNeeded(s.criticalShare, s.repetitions)} of ${s.repetitions}`);
  say((s) => (s.days === 1 ? 'on one day' : `on ${s.days} days`));
  say((s) => (s.sides === 'both' ? 'both sides' : 'one side'));
  say((s) => `seen within ${s.freshDays} days`);
  say((s) =>
    s.mayFallShort === 0
      ? 'no point may fall short'
      : `${s.mayFallShort} ${s.mayFallShort === 1 ? 'point' : 'points'} may fall short`,
  );
  return out;
}

/** The same for a student: "At least 8 of 10 tries, on 2 different days, left and right. The last within 60 days." */
export function standardPlain(s: Standard, sided: boolean): string {
  const need = heldNeeded(s.share, s.repetitions);
  const tries = need === s.repetitions ? `All ${need} tries` : `At least ${need} of ${s.repetitions} tries`;
  const days = s.days > 1 ? `, on ${s.days} different days` : '';
  const sides = !sided ? '' : s.sides === 'both' ? ', left and right' : ', on one side';
  return `${tries}${days}${sides}. The last within ${s.freshDays} days.`;
}
