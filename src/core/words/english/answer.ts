import type { GateVerdict } from '../../syllabus/gate';
import { gateMissing } from './gate';
import { capital, inSentence, listInWords } from './speak';

const KINDS = ['slips', 'looks', 'gates'] as const;

/** The page's answer in one sentence: what slips first, then what only waits for a look, then gates. */
export function answerInWords(
  judged: readonly { word: string; name: string; title?: boolean }[],
  gates: readonly GateVerdict[],
): string {
  const of = (...words: string[]) =>
    judged.filter((r) => words.includes(r.word)).map((r) => inSentence(r.name, r.title));
  const parts: Record<(typeof KINDS)[number], string> = { slips: '', looks: '', gates: '' };
  const short = of('short');
  const close = of('close');
  const waiting = of('stale', 'unseen');
  if (short.length + close.length > 0) parts.slips = `steadier work in ${listInWords([...short, ...close], 3)}`;
  if (waiting.length > 0) parts.looks = `${waiting.length === 1 ? 'a look' : 'looks'} at ${listInWords(waiting, 3)}`;
  const shut = gates.filter((g) => g.word === 'short').map((g) => gateMissing(g));
  if (shut.length > 0) parts.gates = listInWords(shut, 3);
  const said = KINDS.map((k) => parts[k]).filter((p) => p !== '');
  if (said.length === 0) return judged.length === 0 ? 'This belt asks for nothing yet.' : 'Nothing is missing.';
  const text = said.length > 1 ? `${said.slice(0, -1).join('; ')}; and ${said.at(-1)!}` : said[0]!;
  return `${capital(text)}.`;
}
