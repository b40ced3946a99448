import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { storedSequence } from '../../contracts/stored/sequence';
import type { SequenceLine, SequencesView } from '../../contracts/views';
import { capital, fold, inWords, makeVocabulary, plural, readSequence, SEQUENCE_KINDS } from '../../core';
import { download } from '../../kit/drawing/exportDrawing';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Switch } from '../../kit/Switch';
import { Word } from '../../kit/Word';
import './shared.css';
import './Sequences.css';

/** "What do we run?": every sequence by kind, those made from others under what they come from. */
export default function Sequences({ view }: { view: SequencesView }) {
  const [find, setFind] = useState('');
  const [which, setWhich] = useState<'in use' | 'retired'>('in use');
  const q = fold(find);
  const all = view.sequences.filter((s) => s.retired === (which === 'retired'));
  const hit = (s: SequenceLine) =>
    q === '' || [s.title, ...s.names.map((n) => n.name)].some((t) => fold(t).includes(q)) || fold(s.kind).includes(q);
  const children = (id: string) => all.filter((s) => s.parentId === id);
  const here = new Set(all.map((s) => s.id));
  const roots = all.filter((s) => s.parentId === null || !here.has(s.parentId));
  const shown = (s: SequenceLine): boolean => hit(s) || children(s.id).some(shown);
  const takeOut = (as: 'text' | 'json') => {
    const vocabulary = makeVocabulary(view.words);
    const mine = all.filter((s) => shown(s) && view.texts[s.id] !== undefined);
    const text = (s: SequenceLine) => {
      const t = view.texts[s.id]!;
      return /^[ \t]*title:/m.test(t) ? t : `title: ${s.title}\n${t}`;
    };
    if (as === 'text') download('sequences.txt', mine.map(text).join('\n===\n\n'));
    else
      download(
        'sequences.json',
        JSON.stringify(
          {
            format: 'stavewright-sequences',
            version: storedSequence.version,
            sequences: mine.map((s) => readSequence(text(s), vocabulary).sequence),
          },
          null,
          2,
        ),
        'application/json',
      );
  };
  const line = (s: SequenceLine) => {
    const rank = view.ranks.find((r) => r.name.toLowerCase() === s.rank?.toLowerCase());
    const below = children(s.id).filter(shown);
    return (
      <li key={s.id}>
        <div className="tree-line">
          <a href={`/sequences/${s.id}`}>{s.title}</a>
          <span className="second">
            {s.counts} {plural(s.counts, 'count')}
          </span>
          <span>{rank ? <Belt name={rank.name} cloth={rank.cloth} width={36} height={12} /> : null}</span>
          <span className="second">
            <a href={`/sequences/${s.id}/call`}>call it</a>
          </span>
          {s.names.length > 0 && (
            <span className="second how">also {s.names.map((n) => `${n.name} (${n.school})`).join(', ')}</span>
          )}
          {s.how && <span className="second how">{s.how}</span>}
          {s.problems > 0 && (
            <span className="attention how">
              {inWords(s.problems)} {plural(s.problems, 'line')} cannot be read yet
            </span>
          )}
          {s.unfit > 0 && (
            <span className="attention how">
              {inWords(s.unfit)} {plural(s.unfit, 'change')} made by hand {s.unfit === 1 ? 'does' : 'do'} not fit any
              more
            </span>
          )}
          {s.trouble && <span className="hurts how">{s.trouble}</span>}
        </div>
        {below.length > 0 && <ul>{below.map(line)}</ul>}
      </li>
    );
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What do we run?</h1>
          <p className="sub">
            {all.length} <Word of="sequence">{plural(all.length, 'sequence')}</Word>,{' '}
            {all.filter((s) => s.parentId !== null).length} of them made from others.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/sequences/import">
            Take in
          </a>
          <a className="button go" href="/sequences/new">
            Write a sequence
          </a>
        </div>
      </div>
      <div className="row" style={{ gap: 16, marginBottom: 14, flexWrap: 'wrap' }}>
        <TextField
          id="find"
          label={<span className="hidden">Find a sequence</span>}
          placeholder="Find a sequence"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          sx={{ width: 260 }}
        />
        {view.sequences.some((s) => s.retired) && (
          <Switch
            label="Which"
            value={which}
            onChange={setWhich}
            options={[
              { value: 'in use', word: 'in use' },
              { value: 'retired', word: 'retired' },
            ]}
          />
        )}
        <Button disabled={all.length === 0} onClick={() => takeOut('text')}>
          Take out as text
        </Button>
        <Button disabled={all.length === 0} onClick={() => takeOut('json')}>
          Take out as JSON
        </Button>
      </div>
      {view.sequences.length === 0 && (
        <p className="message">
          There is no sequence yet. <a href="/sequences/new">Write the first one</a>: a count a line, such as{' '}
          <i>step L, front stance, low block L, out</i>. Others can then be made from it.
        </p>
      )}
      {all.length > 0 && !roots.some(shown) && <p className="sub">No sequence of this name.</p>}
      <div className="trees">
        {SEQUENCE_KINDS.map((k) => {
          const mine = roots.filter((s) => s.kind === k && shown(s));
          return mine.length === 0 ? null : (
            <section key={k} style={{ marginBottom: 22 }}>
              <h2>{capital(k)}s</h2>
              <ul>{mine.map(line)}</ul>
            </section>
          );
        })}
      </div>
    </IslandRoot>
  );
}
