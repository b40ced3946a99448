import type { Opening } from './gate';
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
  /**
   * How much of the points that are not critical may fall short: below 1 a share of them, so that it follows the item.
   * From 1 on, in standards written before shares, so many points.
   */
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
  mayFallShort: 0.25,
};

/** The three standards every school begins with; it may write its own beside them. */
export const TEMPLATES: readonly { name: string; standard: Standard }[] = [
  {
    name: 'shown',
    standard: { ...STEADY, share: 0.6, criticalShare: 0.7, mayFallShort: 0.5, freshDays: 90 },
  },
  { name: 'steady', standard: STEADY },
  {
    name: 'strong',
    standard: { ...STEADY, share: 0.9, criticalShare: 0.95, repetitions: 20, days: 4, mayFallShort: 0 },
  },
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
  /** From when on it may be learned and looked at, apart from the belt's own gates; null: from the start. */
  opens: Opening | null;
}

/** The least number of held repetitions that reach a share of all. */
export const heldNeeded = (share: number, repetitions: number): number => Math.ceil(share * repetitions - 1e-9);

/** How many of `others` points that are not critical may fall short: a share is rounded down, and never all of them. */
export const fallAtMost = (s: Pick<Standard, 'mayFallShort'>, others: number): number =>
  s.mayFallShort < 1 ? Math.floor(s.mayFallShort * others + 1e-9) : Math.max(0, Math.min(s.mayFallShort, others - 1));
