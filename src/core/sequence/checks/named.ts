import { fold } from '../../units/fold';
import type { Sequence, Step } from '../move';
import type { Vocabulary, Word } from '../notation/vocabulary';

/** A name that a sequence uses, the word of the library that it means, and the counts that use it. */
export interface Named {
  name: string;
  isStance: boolean;
  word: Word | null;
  counts: number[];
}

/** Every name in a sequence once, also of the partner, of variants and of branches. */
export function namesIn(seq: Sequence, vocabulary: Vocabulary): Named[] {
  const all = new Map<string, Named>();
  for (const [i, m] of seq.moves.entries()) {
    const steps: Step[] = [
      m.step,
      ...(m.partner ? [m.partner] : []),
      ...m.variants.map((v) => v.step),
      ...m.branches.flatMap((b) => b.steps),
    ];
    for (const s of steps)
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
