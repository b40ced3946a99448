import { fold } from '../../units/fold';
import type { Move, Sequence, Step } from '../move';
import type { Vocabulary, Word } from '../notation/vocabulary';

/** A name that a sequence uses, the word of the library that it means, and the counts that use it. */
export interface Named {
  name: string;
  isStance: boolean;
  word: Word | null;
  counts: number[];
}

/** Everything that can be done in a count: both lanes, its variants and what follows its branches. */
export const stepsIn = (m: Move): Step[] => [
  m.step,
  ...(m.partner ? [m.partner] : []),
  ...m.variants.map((v) => v.step),
  ...m.branches.flatMap((b) => b.steps),
];

/** Every name in a sequence once, also of the partner, of variants and of branches. */
export function namesIn(seq: Sequence, vocabulary: Vocabulary): Named[] {
  const all = new Map<string, Named>();
  for (const [i, m] of seq.moves.entries()) {
    for (const s of stepsIn(m))
      for (const [name, isStance] of [
        ...s.actions.map((a) => [a.name, false] as const),
        ...(s.stance ? [[s.stance, true] as const] : []),
      ]) {
        const key = `${isStance ? 's' : 'a'} ${fold(name)}`;
        const known = all.get(key);
        if (!known) all.set(key, { name, isStance, word: vocabulary.find(name) ?? null, counts: [i + 1] });
        else if (!known.counts.includes(i + 1)) known.counts.push(i + 1);
      }
  }
  return [...all.values()];
}
