import type { Reader } from '../../evidence/reader';
import type { VerdictWord } from '../../evidence/verdict';

const IN_THEIR_WORDS: Record<VerdictWord, Record<'student' | 'guardian', (name: string) => string>> = {
  met: { student: () => 'You have this.', guardian: (name) => `${name} has this.` },
  close: { student: () => 'Nearly yours.', guardian: () => 'Nearly there.' },
  short: { student: () => 'Not steady yet.', guardian: () => 'Not steady yet.' },
  stale: {
    student: () => 'You had this; show it again.',
    guardian: (name) => `${name} had this, and is to show it again.`,
  },
  unseen: { student: () => 'Ask to be watched.', guardian: () => 'It waits to be watched.' },
};

/**
 * The reason of a verdict for whoever reads it. Teachers read it as it is; a student is spoken to, a guardian hears of
 * their child by the given name. The reason comes in
 * their words too (`reasonInWords` with the same reader); the numbers stay the same for all.
 */
export function reasonFor(reader: Reader, name: string, word: VerdictWord, reason: string): string {
  if (reader === 'teacher') return reason;
  return `${IN_THEIR_WORDS[word][reader](name)} ${reason}`;
}
