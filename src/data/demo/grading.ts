import {
  asksOf,
  decideByRule,
  USUAL_RULE,
  type AskedItem,
  type Decision,
  type GradingRule,
  type Point,
  type Random,
  type Requirement,
  type SheetLine,
  type Side,
} from '../../core';

/** What is known of those who are graded, and of what they are asked. */
export interface Truth {
  pointsOf: (r: Requirement) => readonly Point[];
  isSided: (r: Requirement) => boolean;
  truth: (pointId: string, side: Side) => number;
}

/** The items of a belt as a grading asks them. */
export const askedTruly = (asked: readonly Requirement[], about: Truth, rule: GradingRule): AskedItem[] =>
  asked.map((r) => ({ item: r.id, critical: r.critical, ...asksOf(rule, about.pointsOf(r)) }));

/** What a candidate shows on the day: every repetition drawn from the truth, as somebody would see it who never errs. */
export const shownTruly = (
  asked: readonly Requirement[],
  about: Truth,
  random: Random,
  rule: GradingRule,
): SheetLine[] =>
  asked.map((r) => {
    const sides: Side[] = about.isSided(r) ? ['left', 'right'] : ['none'];
    const points = about.pointsOf(r);
    return {
      item: r.id,
      examiner: 'truth',
      word: points.length === 0 ? 'stands' : null,
      marks: points.flatMap((p) =>
        sides.map((side) => {
          const chance = about.truth(p.id, side);
          const reps = Array.from({ length: rule.repetitions }, () => (random() < chance ? 'H' : 'S')).join('');
          return { pointId: p.id, side, reps };
        }),
      ),
    };
  });

/** How somebody sees: how often a slip is taken for held, held for a slip, and how often they look elsewhere. */
export interface Eye {
  id: string;
  misses: number;
  harsh: number;
  away: number;
  /** Points of which they ask more than the others do. */
  strictAt?: (pointId: string) => boolean;
}

/** What an examiner writes of what was shown. */
export const seenBy = (lines: readonly SheetLine[], eye: Eye, random: Random): SheetLine[] =>
  lines.map((l) => ({
    ...l,
    examiner: eye.id,
    marks: l.marks.map((m) => ({
      ...m,
      reps: [...m.reps]
        .map((r) => {
          if (random() < eye.away) return 'U';
          if (r === 'S') return random() < eye.misses ? 'H' : 'S';
          return random() < (eye.strictAt?.(m.pointId) ? 0.3 : eye.harsh) ? 'S' : 'H';
        })
        .join(''),
    })),
  }));

export const passed = (d: Decision): boolean => d.outcome === 'the belt' || d.outcome === 'the belt, with a note';

/** Whether a grading gives the belt to whoever can truly do so much, seen by somebody who never errs. */
export const passesTruly = (
  asked: readonly Requirement[],
  about: Truth,
  random: Random,
  rule: GradingRule = USUAL_RULE,
): boolean => passed(decideByRule(rule, askedTruly(asked, about, rule), shownTruly(asked, about, random, rule)));
