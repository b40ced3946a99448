import { ceilingKept } from '../technique/ceiling';
import { capital } from '../words/speak';
import { namesIn } from './checks/named';
import type { Sequence } from './move';
import type { Vocabulary, Word } from './notation/vocabulary';

/**
 * What whoever practises a sequence has to keep in mind of its techniques' ceilings, wherever it is shown: “Elbow strike:
 * full force on equipment only, never on a partner”. One line each, in the order in which they come.
 */
export const ceilingsKept = (seq: Sequence, vocabulary: Vocabulary): string[] =>
  namesIn(seq, vocabulary).flatMap(({ name, word }) => keptInWords(name, word?.ceiling ?? null));

/** The same of one technique: a line, or none. */
export function keptInWords(name: string, ceiling: Word['ceiling']): string[] {
  const kept = ceiling?.kind ? ceilingKept(ceiling.kind) : null;
  const more = [kept, ceiling?.contact, ceiling?.targets && `allowed: ${ceiling.targets}`].filter(Boolean).join('; ');
  return more === '' ? [] : [`${capital(name)}: ${more}.`];
}
