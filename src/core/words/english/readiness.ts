import type { VerdictWord } from '../../evidence/verdict';
import { listInWords } from './speak';

/** "Two short, one close and one gate": what a person lacks, as the beginning of an answer. */
export function missingInWords(words: readonly VerdictWord[], shutGates: number): string {
  const n = (w: VerdictWord) => words.filter((x) => x === w).length;
  const parts = (['short', 'close', 'stale', 'unseen'] as const).flatMap((w) => (n(w) > 0 ? [`${n(w)} ${w}`] : []));
  if (shutGates > 0) parts.push(shutGates === 1 ? 'one gate' : `${shutGates} gates`);
  if (parts.length === 0) return 'Nothing is missing';
  return listInWords(parts);
}
