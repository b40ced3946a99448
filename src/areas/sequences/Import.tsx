import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import * as v from 'valibot';
import { sequenceShape } from '../../contracts/stored/sequence';
import type { SequencesView } from '../../contracts/views';
import { makeVocabulary, plural, printSequence, readSequence, tally, tallyWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { newId, send } from '../../kit/send';

interface Piece {
  title: string;
  text: string;
  said: string;
  wrong: string[];
  replaces: boolean;
  derived: boolean;
}
const MOST_BYTES = 5_000_000;

/** Several texts parted by a line of equals signs, or our JSON. */
function cut(
  source: string,
  vocabulary: ReturnType<typeof makeVocabulary>,
): { pieces: { title: string; text: string; wrong: string[] }[]; wrong: string } {
  const text = source.trim();
  if (text === '') return { pieces: [], wrong: '' };
  if (text.startsWith('{') || text.startsWith('[')) {
    let parsed: unknown;
    try {
      parsed = JSON.parse(text);
    } catch {
      return { pieces: [], wrong: 'This JSON cannot be read: it breaks off, or has a sign too many.' };
    }
    const list = Array.isArray(parsed)
      ? parsed
      : typeof parsed === 'object' && parsed !== null && 'sequences' in parsed
        ? parsed.sequences
        : null;
    if (!Array.isArray(list)) return { pieces: [], wrong: 'There is no list of sequences in this file.' };
    return {
      wrong: '',
      pieces: list.map((one, i) => {
        const read = v.safeParse(sequenceShape, one);
        if (!read.success) {
          const issue = read.issues[0];
          const where = issue.path?.map((p) => String(p.key)).join('.') ?? '';
          return { title: `Sequence ${i + 1}`, text: '', wrong: [`${where}: ${issue.message}`] };
        }
        return { title: read.output.about.title, text: printSequence(read.output, vocabulary), wrong: [] };
      }),
    };
  }
  return {
    wrong: '',
    pieces: text
      .split(/^={3,}\s*$/m)
      .map((t) => t.trim())
      .filter(Boolean)
      .map((t) => ({ title: readSequence(t, vocabulary).sequence.about.title, text: t, wrong: [] })),
  };
}

/** Takes several sequences in at once; shows what will happen before it happens. */
export default function Import({ view }: { view: SequencesView }) {
  const [source, setSource] = useState('');
  const [wrong, setWrong] = useState('');
  const [done, setDone] = useState(0);
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const { pieces, wrong: unreadable } = useMemo(() => {
    const got = cut(source, vocabulary);
    const seen = new Set<string>();
    return {
      wrong: got.wrong,
      pieces: got.pieces.map((p): Piece => {
        const { sequence, problems } = readSequence(p.text, vocabulary);
        const known = view.sequences.find((s) => s.title.toLowerCase() === p.title.toLowerCase());
        const faults = [
          ...p.wrong,
          ...(p.title === '' ? ['It has no title: begin with “title: …”.'] : []),
          ...(seen.has(p.title.toLowerCase()) ? ['This title stands here twice.'] : []),
          ...(known?.parentId ? ['A sequence of this title follows a recipe; give this one another title.'] : []),
          ...problems
            .filter((x) => x.severity === 'error')
            .map((x) => `Line ${x.line}, place ${x.column}: ${x.message}`),
        ];
        seen.add(p.title.toLowerCase());
        return {
          title: p.title,
          text: p.text,
          said: tallyWords(tally(sequence)),
          wrong: faults,
          replaces: known !== undefined,
          derived: known?.parentId != null,
        };
      }),
    };
  }, [source, vocabulary, view.sequences]);
  const good = pieces.filter((p) => p.wrong.length === 0);
  const take = async () => {
    const answer = await send('sequence.import', {
      sequences: good.map((p) => ({ id: newId(), title: p.title, text: p.text })),
    });
    if (answer.ok) {
      setDone(good.length);
      setSource('');
      setWrong('');
    } else setWrong(answer.title);
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What comes in?</h1>
          <p className="sub">
            Paste or open texts of sequences, parted by a line of ===, or a JSON file taken out here. Nothing is taken
            before you say so.
          </p>
        </div>
      </div>
      <div role="alert">
        {done > 0 && (
          <p className="message good">
            {done} {plural(done, 'sequence')} taken. <a href="/sequences">See them</a>.
          </p>
        )}
        {(wrong || unreadable) && <p className="message wrong">{wrong || unreadable}</p>}
      </div>
      <div className="columns">
        <div className="stack">
          <TextField
            id="source"
            label="Texts or JSON"
            multiline
            minRows={14}
            maxRows={28}
            value={source}
            onChange={(e) => setSource(e.target.value)}
          />
          <label className="row">
            <span>or a file:</span>
            <input
              type="file"
              accept=".txt,.json,text/plain,application/json"
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (!file) return;
                if (file.size > MOST_BYTES) setWrong('This file is larger than 5 MB.');
                else void file.text().then(setSource);
              }}
            />
          </label>
        </div>
        <div className="stack">
          <h2>What will happen</h2>
          {pieces.length === 0 && <p className="sub">Nothing yet.</p>}
          <ul>
            {pieces.map((p, i) => (
              <li key={i} className="line">
                <b>{p.title || `Sequence ${i + 1}`}</b>{' '}
                <span className={p.wrong.length > 0 ? 'hurts' : 'second'}>
                  {p.wrong.length > 0
                    ? `stays out: ${p.wrong[0]!}`
                    : p.replaces
                      ? 'replaces the text that is here'
                      : 'new'}
                </span>
                <p className="second">{p.said}</p>
              </li>
            ))}
          </ul>
          <div>
            <Button variant="contained" disabled={good.length === 0} onClick={() => void take()}>
              Take {good.length} in
            </Button>
          </div>
        </div>
      </div>
    </IslandRoot>
  );
}
