import type { GateVerdict } from '../syllabus/gate';
import type { VerdictWord } from './verdict';

/** Groups of the roll by what is missing, in the order in which they are shown. */
export const READINESS = [
  'nothing missing',
  'a look may settle it',
  'only a gate is shut',
  'one thing slips',
  'more slips',
  'not all was watched',
  'nothing is asked',
] as const;

export type Readiness = (typeof READINESS)[number];

/**
 * Sorts a student into a group: by requirements first, gates after. What was never watched weighs more than a slip, of
 * which one knows at least where it stands; and a belt that asks nothing is no readiness.
 */
export function readiness(words: readonly VerdictWord[], gates: readonly Pick<GateVerdict, 'word'>[]): Readiness {
  const count = (word: VerdictWord) => words.filter((w) => w === word).length;
  if (words.length === 0 && gates.length === 0) return 'nothing is asked';
  if (count('unseen') > 0) return 'not all was watched';
  if (count('short') > 0) return count('short') === 1 ? 'one thing slips' : 'more slips';
  if (count('met') < words.length) return 'a look may settle it';
  return gates.every((g) => g.word === 'met') ? 'nothing missing' : 'only a gate is shut';
}

/** The people of a group: by how much is open, and within that the likeliest first; those of whom nothing is said last. */
export const byMissing = <R extends { id: string; words: readonly (VerdictWord | null)[] }>(
  rows: readonly R[],
  chanceOf: (id: string) => number | undefined,
): R[] => {
  const open = (r: R) => r.words.filter((w) => w !== null && w !== 'met').length;
  return [...rows].sort((a, b) => open(a) - open(b) || (chanceOf(b.id) ?? -1) - (chanceOf(a.id) ?? -1));
};
