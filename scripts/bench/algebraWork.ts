// What P7 measures, apart from how it is measured: it is made into a script as a page's are, without names for each
// function that is made on the way, which only our running of sources puts in.
import {
  chain,
  invert,
  layoutStave,
  makeVocabulary,
  mirror,
  parseSequence,
  parseStep,
  printSequence,
  readSequence,
  substitute,
  svgOf,
  type Word,
} from '../../src/core';

/** The work on one long form: how many moves it made, when called; and the form itself as it is kept. */
export function algebraWork(text: string, words: readonly Word[]) {
  const vocabulary = makeVocabulary(words);
  const { sequence } = readSequence(text, vocabulary);
  const kick = parseStep('front kick R mid', vocabulary);
  if (!kick.ok) throw new Error('the kick cannot be read');
  const round = parseSequence(printSequence(sequence, vocabulary), vocabulary);
  if (!round.ok) throw new Error('the long form cannot be read again');
  return {
    json: JSON.stringify(sequence),
    moves: sequence.moves.length,
    work(): number {
      const kicked = substitute(
        sequence,
        { kind: 'strike', advancing: true },
        { do: 'before', step: kick.value },
        vocabulary,
      );
      const made = chain(mirror(kicked), invert(sequence, 'high and low'));
      for (const c of layoutStave(made).columns) svgOf(c.primitives, (tone) => tone);
      return made.moves.length;
    },
  };
}
