import type { VerdictWord } from '../../evidence/verdict';

/** "7 in 10", as in a table; at the ends "under 1 in 10" and "better than 9 in 10". */
export function tenthsInWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  if (tenths <= 0) return 'under 1 in 10';
  if (tenths >= 10) return 'better than 9 in 10';
  return `${tenths} in 10`;
}

/** The same in a sentence: "about 7 in 10". */
export function chanceInWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  return tenths > 0 && tenths < 10 ? `about ${tenthsInWords(chance)}` : tenthsInWords(chance);
}

/** From here on a chance is good, and from here down it is poor. */
const GOOD = 0.65;
const POOR = 0.35;

/** Why a chance and the words beside it point different ways; empty where they do not. */
export function chanceAgainstWords(chance: number, words: readonly VerdictWord[]): string {
  const open = words.filter((w) => w !== 'met').length;
  if (words.length === 0) return '';
  if (open > 0 && chance >= GOOD)
    return 'Likelier than its words look: a grading asks less at once than the standard, which wants more repetitions, on several days, seen of late.';
  if (open === 0 && chance <= POOR)
    return 'Less likely than its words look: each thing was shown by itself, and the day asks for all of them at once.';
  return '';
}
