import * as v from 'valibot';
import { listIn } from '../../contracts/listFile';
import { storedSequence } from '../../contracts/stored/sequence';
import type { SequencesView } from '../../contracts/views';
import { fold, printSequence, readSequence, tally, tallyWords, type makeVocabulary } from '../../core';
import type { Reading } from '../../kit/taking/line';

type Vocabulary = ReturnType<typeof makeVocabulary>;
interface Piece {
  title: string;
  text: string;
  wrong: string[];
  source: string;
}

/** Texts of sequences parted by lines of equals signs. */
export const PARTED = '\n===\n';

/** Several texts, or our JSON: each by itself, still to be looked at. */
function pieces(source: string, vocabulary: Vocabulary): { pieces: Piece[]; wrong: string } {
  const json = listIn(source, 'sequences', 'sequences');
  if (!json)
    return {
      wrong: '',
      pieces: source
        .split(/^={3,}\s*$/m)
        .map((t) => t.trim())
        .filter(Boolean)
        .map((t) => ({ title: readSequence(t, vocabulary).sequence.about.title, text: t, wrong: [], source: t })),
    };
  return {
    wrong: json.wrong,
    pieces: json.list.map((one, i) => {
      const kept = JSON.stringify(one, null, 2);
      // A file of an earlier version brings sequences as they were then.
      const read = v.safeParse(storedSequence.shape, storedSequence.upgradeFrom(1, one));
      if (read.success)
        return {
          title: read.output.about.title,
          text: printSequence(read.output, vocabulary),
          wrong: [],
          source: kept,
        };
      const issue = read.issues[0];
      const where = issue.path?.map((p) => String(p.key)).join('.') ?? '';
      return { title: `Sequence ${i + 1}`, text: '', wrong: [`${where}: ${issue.message}`], source: kept };
    }),
  };
}

/** What each sequence of a source would do in a school that has these. */
export function readScores(
  source: string,
  vocabulary: Vocabulary,
  here: SequencesView['sequences'],
): Reading<{ title: string; text: string }> {
  const got = pieces(source, vocabulary);
  const seen = new Set<string>();
  return {
    wrong: got.wrong,
    lines: got.pieces.map((p, i) => {
      const { sequence, problems } = readSequence(p.text, vocabulary);
      const key = fold(p.title);
      const known = here.find((s) => fold(s.title) === key);
      const first = problems.find((x) => x.severity === 'error');
      const wrong =
        p.wrong[0] ??
        (p.title === ''
          ? 'It has no title: begin with “title: …”.'
          : seen.has(key)
            ? 'This title stands here twice.'
            : known?.parentId
              ? 'A sequence of this title follows a recipe; give this one another title.'
              : first && `Line ${first.line}, place ${first.column}: ${first.message}`);
      seen.add(key);
      return {
        name: p.title || `Sequence ${i + 1}`,
        takes: wrong ? null : { title: p.title, text: p.text },
        said: wrong ? `stays out: ${wrong}` : known ? 'replaces the text that is here' : 'new',
        ...(p.text === '' ? {} : { more: tallyWords(tally(sequence)) }),
        source: p.source,
      };
    }),
  };
}
