import type { GateVerdict } from '../syllabus/gate';
import type { VerdictWord } from './verdict';

/** Groups of the roll by what is missing, in the order in which they are shown. */
export const READINESS = [
  'nothing missing',
  'a look may settle it',
  'only a gate is shut',
  'one thing slips',
  'more slips',
] as const;

export type Readiness = (typeof READINESS)[number];

/**
 * Sorts a student into a group: by requirements first, gates after. One that is close, stale or unseen with nothing
 * short waits for looks; one that is short slips.
 */
export function readiness(words: readonly VerdictWord[], gates: readonly Pick<GateVerdict, 'word'>[]): Readiness {
  const short = words.filter((w) => w === 'short').length;
  const open = words.filter((w) => w !== 'met').length;
  if (open === 0) return gates.every((g) => g.word === 'met') ? 'nothing missing' : 'only a gate is shut';
  if (short === 0) return words.filter((w) => w === 'unseen').length <= 2 ? 'a look may settle it' : 'more slips';
  return short === 1 ? 'one thing slips' : 'more slips';
}
