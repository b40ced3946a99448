import { BELT_RESULTS, type GradingRule, type Lath, type BeltResult, type SheetWord } from './rule';
import { oneWord, wordOf, type Asks, type SheetLine } from './sheet';

/** An item that a belt asks, as a grading sees it. */
export interface AskedItem extends Asks {
  item: string;
  /** Failing it fails the belt. */
  critical: boolean;
}

export interface ItemDecided {
  item: string;
  critical: boolean;
  /** Each examiner's word, in the order of their names; null: nothing seen, nothing said. */
  words: { examiner: string; word: SheetWord | null }[];
  /** The one word; null: nobody saw it. */
  word: SheetWord | null;
  /** The examiners do not say the same. */
  split: boolean;
}

export interface Decision {
  items: ItemDecided[];
  short: number;
  notYet: number;
  /** Null: something was not seen by anybody, so the rule cannot say. */
  outcome: BeltResult | null;
  /** Each lath of the rule, and whether it fits; the first that fits is the outcome, but for what a critical item forbids. */
  laths: { lath: Lath; fits: boolean }[];
  /** Critical items that do not stand. */
  failed: string[];
}

/**
 * Items of which the outcome hangs on whose word counts: where examiners differ, and what becomes of the candidate is not
 * the same by every word that was said of it.
 */
export function beltHangsOn(rule: GradingRule, asked: readonly AskedItem[], lines: readonly SheetLine[]): string[] {
  const d = decideByRule(rule, asked, lines);
  return d.items
    .filter((i) => i.split)
    .filter((i) => {
      const said = new Set(i.words.flatMap((w) => (w.word === null ? [] : [w.word])));
      const outcomes = [...said].map(
        (word) =>
          decideByRule(
            rule,
            asked,
            lines.map((l) => (l.item === i.item ? { ...l, word } : l)),
          ).outcome,
      );
      return new Set(outcomes).size > 1;
    })
    .map((i) => i.item);
}

const rankOf = (o: BeltResult) => BELT_RESULTS.indexOf(o);
const worse = (a: BeltResult, b: BeltResult): BeltResult => (rankOf(a) >= rankOf(b) ? a : b);

/**
 * What the rule makes of the sheets, whatever their order. How much falls short is counted so that a better mark never
 * makes the outcome worse: items that do not stand, and of them those not yet. A critical item that is nearly there allows
 * a part again at best, one that is not yet holds over.
 */
export function decideByRule(rule: GradingRule, asked: readonly AskedItem[], lines: readonly SheetLine[]): Decision {
  const items = asked.map((a): ItemDecided => {
    const words = lines
      .filter((l) => l.item === a.item)
      .map((l) => ({ examiner: l.examiner, word: wordOf(rule, l, a) }))
      .sort((x, y) => (x.examiner < y.examiner ? -1 : x.examiner > y.examiner ? 1 : 0));
    const said = words.flatMap((w) => (w.word === null ? [] : [w.word]));
    return {
      item: a.item,
      critical: a.critical,
      words,
      word: oneWord(said, a.critical ? rule.critical : rule.words),
      split: new Set(said).size > 1,
    };
  });
  const of = (word: SheetWord) => items.filter((i) => i.word === word);
  const notYet = of('not yet').length;
  const short = of('nearly').length + notYet;
  const laths = rule.laths.map((lath) => ({ lath, fits: short <= lath.short && notYet <= lath.notYet }));
  const fitting = laths.filter((l) => l.fits).map((l) => l.lath.outcome);
  const best = fitting.reduce<BeltResult>((a, b) => (rankOf(b) < rankOf(a) ? b : a), 'held over');
  const critical = items.filter((i) => i.critical && i.word !== null && i.word !== 'stands');
  const limited = critical.some((i) => i.word === 'not yet')
    ? 'held over'
    : critical.length > 0
      ? worse(best, 'part again')
      : best;
  return {
    items,
    short,
    notYet,
    outcome: items.length === 0 || items.some((i) => i.word === null) ? null : limited,
    laths,
    failed: critical.map((i) => i.item),
  };
}
