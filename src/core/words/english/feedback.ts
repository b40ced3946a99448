import type { SheetWord } from '../../grading/rule';
import { capital, inSentence, listInWords } from './speak';

/**
 * What the sheets say to the student, each sentence true of them: what stood for everybody, what did not, and the one point
 * that slipped most, with the cue that mends it. Items without a word are passed over.
 */
export function feedbackInWords(
  items: readonly { name: string; word: SheetWord | null; split: boolean }[],
  weakest: string | null,
  leads = '',
): string {
  const named = (of: typeof items) =>
    listInWords(
      of.map((i) => inSentence(i.name)),
      3,
    );
  const clear = items.filter((i) => i.word === 'stands' && !i.split);
  const nearly = items.filter((i) => i.word === 'nearly');
  const notYet = items.filter((i) => i.word === 'not yet');
  const said = [
    clear.length > 0 && `${capital(named(clear))} stood for all of us.`,
    nearly.length > 0 && `${capital(named(nearly))} nearly stood.`,
    notYet.length > 0 && `${capital(named(notYet))} did not stand yet.`,
    weakest !== null && `To work on: ${inSentence(weakest)}.`,
    weakest !== null && leads !== '' && `What leads there: ${inSentence(withoutStop(leads))}.`,
  ];
  return said.filter(Boolean).join(' ');
}

/** A sentence without the stop that it may end in. */
function withoutStop(sentence: string): string {
  let end = sentence.length;
  while (end > 0 && '.!'.includes(sentence[end - 1]!)) end--;
  return sentence.slice(0, end);
}
