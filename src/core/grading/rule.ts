import { dequal } from 'dequal';

/** An examiner's word for an item, from the best. */
export const SHEET_WORDS = ['stands', 'nearly', 'not yet'] as const;
export type SheetWord = (typeof SHEET_WORDS)[number];

/** What becomes of a candidate, from the best. */
export const BELT_RESULTS = ['the belt', 'the belt, with a note', 'part again', 'held over'] as const;
export type BeltResult = (typeof BELT_RESULTS)[number];

/** One lath of the rule: an outcome, and how much may fall short for it. */
export interface Lath {
  outcome: Exclude<BeltResult, 'held over'>;
  /** Items that do not stand, at most; of them not yet, at most. */
  short: number;
  notYet: number;
}

/** Marks out of a number beside the three words: from which mark an item stands, and from which it nearly does. */
export interface MarkScale {
  outOf: number;
  stands: number;
  nearly: number;
}

/** How a school decides. What fits no lath is held over. */
export interface GradingRule {
  /** Repetitions shown of each item on each side. */
  repetitions: number;
  /** From which share of what was seen a point stands, of critical points, and from which it nearly does. */
  stands: number;
  criticalStands: number;
  nearly: number;
  /** Share of an item’s points, but for the critical ones, that may fall short without the item falling. */
  mayFallShort: number;
  /** How the words of several examiners become one: the middle one, or the lowest of all. */
  words: 'the middle' | 'the lowest';
  /** The same for items that are critical for the belt. */
  critical: 'the middle' | 'the lowest';
  laths: readonly Lath[];
  /** Examiners give marks out of a number, which are read as words; null: they say the words. */
  scale: MarkScale | null;
}

/** The word that a mark stands for. */
export const wordOfMark = (scale: MarkScale, mark: number): SheetWord =>
  mark >= scale.stands ? 'stands' : mark >= scale.nearly ? 'nearly' : 'not yet';

/**
 * The rule as delivered, common practice, no source: three of five hold, four at critical points; one item nearly is a note,
 * one not yet or two nearly are shown again.
 */
export const USUAL_RULE: GradingRule = {
  repetitions: 5,
  stands: 0.6,
  criticalStands: 0.8,
  nearly: 0.4,
  mayFallShort: 0.25,
  words: 'the middle',
  critical: 'the lowest',
  laths: [
    { outcome: 'the belt', short: 0, notYet: 0 },
    { outcome: 'the belt, with a note', short: 1, notYet: 0 },
    { outcome: 'part again', short: 1, notYet: 1 },
    { outcome: 'part again', short: 2, notYet: 0 },
  ],
  scale: null,
};

/** With so many items short, and of them not yet, a belt is given: the laths that give it. */
export const beltLaths = (rule: GradingRule): readonly Lath[] =>
  rule.laths.filter((l) => l.outcome === 'the belt' || l.outcome === 'the belt, with a note');

/** Whether two rules decide alike. */
export const sameRule = (a: GradingRule, b: GradingRule): boolean => dequal(a, b);
