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

/** "Two short, one close and one gate": what a person lacks, as the beginning of an answer. */
export function missingInWords(words: readonly VerdictWord[], shutGates: number): string {
  const n = (w: VerdictWord) => words.filter((x) => x === w).length;
  const parts = (['short', 'close', 'stale', 'unseen'] as const).flatMap((w) => (n(w) > 0 ? [`${n(w)} ${w}`] : []));
  if (shutGates > 0) parts.push(shutGates === 1 ? 'one gate' : `${shutGates} gates`);
  if (parts.length === 0) return 'Nothing is missing';
  const last = parts.pop()!;
  return parts.length === 0 ? last : `${parts.join(', ')} and ${last}`;
}
