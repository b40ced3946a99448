import { fold } from '../../units/fold';
import { listInWords, plural } from '../../words';
import type { Sequence } from '../move';
import { answer, COMMON_ANSWERS } from './answer';
import { COMMON_PAIRS } from './invert';
import { derive, NO_SOURCES, type Operation, type Recipe, type Sources } from './recipe';

/** Degrees between -180 (not included) and 180 that a body is turned by all turns of lane A. */
export const netTurn = (seq: Sequence): number => {
  const sum = seq.moves.reduce((n, m) => n + (m.step.turn?.degrees ?? 0), 0) % 360;
  return sum > 180 ? sum - 360 : sum <= -180 ? sum + 360 : sum;
};

const namesIn = (seq: Sequence): string[] => [...new Set(seq.moves.flatMap((m) => m.step.actions.map((a) => a.name)))];

/** Answers that the library does not have: a rule of common practice may propose what a school calls otherwise. */
function lacking(seq: Sequence, vocabulary: Sources['vocabulary']): string[] {
  if (vocabulary.words.length === 0) return [];
  const names = [...new Set(seq.moves.flatMap((m) => m.partner?.actions.map((a) => a.name) ?? []))];
  const none = names.filter((n) => !vocabulary.find(n));
  return none.length > 0 ? [`the library has no ${listInWords(none)}: write rules of your own.`] : [];
}

/** What a step left as it was or did not know, in words. */
function said(o: Operation, before: Sequence, after: Sequence, { vocabulary }: Sources): string[] {
  const same = JSON.stringify(before.moves) === JSON.stringify(after.moves) && before.about.kind === after.about.kind;
  switch (o.op) {
    case 'invert': {
      if (o.what === 'lead and rear' && !same) return [];
      const pairs = o.pairs ?? COMMON_PAIRS[o.what].map(([a, b]) => [a.name, b.name] as const);
      // A name stands for its technique in whatever language the pair was written.
      const nameOf = (name: string) => fold(vocabulary.find(name)?.name ?? name);
      const known = new Set(pairs.flat().map(nameOf));
      const alone = namesIn(before).filter((n) => !known.has(nameOf(n)));
      if (alone.length === 0) return same ? ['changes nothing.'] : [];
      return [`${same ? 'changes nothing: it' : 'it'} knows no partner for ${listInWords(alone)}.`];
    }
    case 'answer': {
      const { unanswered, unused } = answer(before, o.rules ?? COMMON_ANSWERS);
      return [
        ...(unanswered.length > 0
          ? [`no rule answers ${plural(unanswered.length, 'count')} ${listInWords(unanswered.map(String))}.`]
          : []),
        ...(o.rules && unused.length > 0
          ? [`${plural(unused.length, 'rule')} ${listInWords(unused.map((i) => String(i + 1)))} met no attack.`]
          : []),
        ...lacking(after, vocabulary),
      ];
    }
    case 'levels': {
      const degrees = netTurn(after);
      return degrees === 0
        ? []
        : [`each round leaves one ${Math.abs(degrees)}° to the ${degrees < 0 ? 'left' : 'right'}.`];
    }
    default:
      return same && before.moves.length > 0 ? ['changes nothing.'] : [];
  }
}

/** What a recipe does not do: steps without effect, names and attacks it knows nothing for. Each names its step. */
export function recipeEffects(parent: Sequence, recipe: Recipe, sources: Sources = NO_SOURCES): string[] {
  const out: string[] = [];
  let seq = parent;
  for (const [i, o] of recipe.entries()) {
    const made = derive(seq, [o], sources);
    if (!made.ok) return out;
    out.push(...said(o, seq, made.value, sources).map((text) => `Step ${i + 1}: ${text}`));
    seq = made.value;
  }
  return out;
}
