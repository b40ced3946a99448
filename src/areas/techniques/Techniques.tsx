import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { printTechniques } from '../../contracts/techniqueFile';
import type { TechniquesView } from '../../contracts/views';
import { countOf, TECHNIQUE_KINDS, capital, fold } from '../../core';
import { download } from '../../kit/drawing/exportDrawing';
import { IslandRoot } from '../../kit/IslandRoot';
import { Belt } from '../../kit/marks/Belt';
import { Splinter } from '../../kit/marks/small';
import { ask } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { Word } from '../../kit/Word';
import './library.css';

const PLURAL: Record<string, string> = { 'hand shape': 'hand shapes', 'weapon cut': 'weapon cuts' };

/** "What do we teach?": the library by kind, found by any part of a name. */
export default function Techniques({ view }: { view: TechniquesView }) {
  const [find, setFind] = useState('');
  const [which, setWhich] = useState<'in use' | 'retired'>('in use');
  const [wrong, setWrong] = useState('');
  const takeOut = async (as: 'text' | 'json') => {
    const asked = await ask('library', {});
    setWrong(asked.ok ? '' : asked.title);
    if (!asked.ok) return;
    const library = asked.view;
    if (as === 'text') download('techniques.txt', printTechniques(library.techniques));
    else
      download(
        'techniques.json',
        JSON.stringify({ format: 'stavewright-techniques', version: 1, techniques: library.techniques }, null, 2),
        'application/json',
      );
  };
  const q = fold(find);
  const all = view.techniques.filter(
    (t) =>
      t.retired === (which === 'retired') &&
      (q === '' || fold(t.name).includes(q) || t.kind.includes(q) || t.terms.some((x) => fold(x).includes(q))),
  );
  const kinds = TECHNIQUE_KINDS.filter((k) => all.some((t) => t.kind === k));
  const rank = new Map(view.ranks.map((r) => [r.id, r]));
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What do we teach?</h1>
          <p className="sub">
            {countOf(view.techniques.filter((t) => !t.retired).length, 'technique')} in use, each with its{' '}
            <Word of="point">points</Word> from the ground up.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/techniques/import">
            Take in
          </a>
          <a className="button go" href="/techniques/new">
            Add a technique
          </a>
        </div>
      </div>
      <div className="row" style={{ gap: 16, marginBottom: 14, flexWrap: 'wrap' }}>
        <TextField
          id="find"
          label={<span className="hidden">Find a technique</span>}
          placeholder="Find by any of its names"
          value={find}
          onChange={(e) => setFind(e.target.value)}
          sx={{ width: 260 }}
        />
        {view.techniques.some((t) => t.retired) && (
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
      </div>
      {view.techniques.length > 0 && (
        <div className="row no-print" style={{ marginBottom: 14 }}>
          <Button onClick={() => void takeOut('text')}>Take out as text</Button>
          <Button onClick={() => void takeOut('json')}>Take out as JSON</Button>
          <span role="alert" className="hurts">
            {wrong}
          </span>
        </div>
      )}
      {view.techniques.length === 0 && (
        <p className="message">
          The library is empty. <a href="/techniques/new">Write the first technique</a>: a stance is a good beginning,
          since strikes and blocks stand on it.
        </p>
      )}
      {view.techniques.length > 0 && all.length === 0 && <p className="sub">No technique of this name.</p>}
      <div className="kinds">
        {kinds.map((k) => (
          <section key={k}>
            <h2>{capital(PLURAL[k] ?? `${k}s`)}</h2>
            <ul>
              {all
                .filter((t) => t.kind === k)
                .map((t) => (
                  <li key={t.id} className="line">
                    <a href={`/techniques/${t.id}`}>{t.name}</a>
                    <span className="second">
                      {t.points === 0 ? 'no points yet' : countOf(t.points, 'point')}
                      {t.critical > 0 && `, ${t.critical} critical`}
                    </span>
                    <span className="belts">
                      {t.usedBy.map((id) => {
                        const r = rank.get(id)!;
                        return <Belt key={id} name={r.name} cloth={r.cloth} width={36} height={12} />;
                      })}
                    </span>
                    <span className="can">
                      {t.hurts && (
                        <>
                          <Splinter />
                          <span className="hidden">can hurt</span>
                        </>
                      )}
                    </span>
                  </li>
                ))}
            </ul>
          </section>
        ))}
      </div>
      <p className="legend">
        <span>
          <Splinter /> a slip in it can hurt somebody
        </span>
        <span>belts: where it is asked</span>
      </p>
    </IslandRoot>
  );
}
