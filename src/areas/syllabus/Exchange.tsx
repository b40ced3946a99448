import Button from '@mui/material/Button';
import { useRef, useState } from 'react';
import { bundleTables, printTable, TABLES } from '../../contracts/bundleTables';
import { FATES, type Bundle, type BundleLine, type BundleReport, type Fate } from '../../contracts/stored/bundle';
import { capital, inWords } from '../../core';
import { download, fileName } from '../../kit/drawing/exportDrawing';
import { IslandRoot } from '../../kit/IslandRoot';
import { sendLong } from '../../kit/longWork';
import { ask } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { readFile } from '../../kit/taking/file';
import { readSchool, readSchoolFiles, type SchoolRead } from './taking';
import './shared.css';
import './Exchange.css';

const MOST_BYTES = 24_000_000;
type State =
  | { at: 'idle' }
  | { at: 'working'; done: number; of: number; dry: boolean }
  | { at: 'tried' | 'done'; report: BundleReport };

/** "What comes in, what goes out?": the school as one file or as tables; an import is tried before it is done. */
export default function Exchange({
  school,
  isEmpty,
  mayChange,
}: {
  school: string;
  isEmpty: boolean;
  mayChange: boolean;
}) {
  const [bundle, setBundle] = useState<{ from: string; bundle: Bundle } | null>(null);
  const [wrong, setWrong] = useState<string[]>([]);
  const [keep, setKeep] = useState<'file' | 'here'>('file');
  const [state, setState] = useState<State>({ at: 'idle' });
  const stop = useRef<AbortController | null>(null);
  const picker = useRef<HTMLInputElement>(null);

  const take = async (out: 'json' | 'csv') => {
    const asked = await ask('bundle', {});
    setWrong(asked.ok ? [] : [asked.title]);
    if (!asked.ok) return;
    const b = asked.view;
    if (out === 'json') {
      download(`${fileName(school)}.json`, JSON.stringify(b, null, 2), 'application/json');
      return;
    }
    const tables = bundleTables(b);
    for (const t of TABLES)
      if (tables[t].length > 0) download(`${fileName(school)} ${t}.csv`, printTable(tables[t]), 'text/csv');
  };
  const open = (read: SchoolRead) => {
    if (read.ok) return void run(read, keep, true);
    setBundle(null);
    setState({ at: 'idle' });
    setWrong(read.wrong);
  };
  const files = async (list: readonly File[]) => {
    setWrong([]);
    if (list.length === 0) return;
    const texts: { name: string; text: string }[] = [];
    let room = MOST_BYTES;
    for (const f of list) {
      const read = await readFile(f, room);
      if (!read.ok) return setWrong([read.wrong]);
      room -= f.size;
      texts.push({ name: f.name, text: read.text });
    }
    open(readSchoolFiles(texts));
  };
  const run = async (from: { from: string; bundle: Bundle }, how: 'file' | 'here', dry: boolean) => {
    setBundle(from);
    setWrong([]);
    setState({ at: 'working', done: 0, of: 1, dry });
    stop.current = new AbortController();
    const answer = await sendLong<'bundle.import', BundleReport>(
      'bundle.import',
      { bundle: from.bundle, keep: how, dry },
      (done, of) => setState({ at: 'working', done, of, dry }),
      stop.current.signal,
    );
    if (!answer.ok) {
      setWrong([answer.title]);
      setState({ at: 'idle' });
      return;
    }
    setState({ at: answer.answer.done ? 'done' : 'tried', report: answer.answer });
  };
  const starter = async () => {
    try {
      const response = await fetch('/api/starter');
      open(readSchool('the starter', await response.json()));
    } catch {
      setWrong(['The small start could not be fetched. Try again in a moment.']);
    }
  };
  const report = state.at === 'tried' || state.at === 'done' ? state.report : null;
  const by = (f: Fate) => report?.lines.filter((l) => l.fate === f) ?? [];
  const bad = by('in conflict').length + by('refused').length;
  const coming = by('new').length + by('changed').length;
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What comes in, what goes out?</h1>
          <p className="sub">
            Belts, conditions, techniques, sequences and the syllabus; never people. The file is described in the open,
            so other programs can read and write it.
          </p>
        </div>
        <div className="actions">
          <a className="button" href="/syllabus">
            Back to the way
          </a>
        </div>
      </div>
      <div className="exchange">
        <section className="stack">
          <h2>Take out</h2>
          <p className="second">
            One file for another school or another program, or tables for a spreadsheet. Decisions about checks stay
            here.
          </p>
          <div className="row wrap">
            <Button onClick={() => void take('json')}>One JSON file</Button>
            <Button onClick={() => void take('csv')}>CSV tables</Button>
          </div>
        </section>
        {mayChange && (
          <section className="stack">
            <h2>Bring in</h2>
            {isEmpty && (
              <p>
                This school asks for nothing yet. Begin from a file, from a small start of twelve basics, one line and
                three belts, or <a href="/syllabus">from nothing</a>.
              </p>
            )}
            <div className="row wrap">
              <Button variant={isEmpty ? 'outlined' : 'contained'} onClick={() => picker.current?.click()}>
                Choose a file
              </Button>
              <input
                ref={picker}
                type="file"
                multiple
                accept=".json,.csv,application/json,text/csv"
                className="hidden"
                tabIndex={-1}
                aria-label="A school as JSON, or its tables as CSV"
                onChange={(e) => {
                  void files([...(e.target.files ?? [])]);
                  e.target.value = '';
                }}
              />
              {isEmpty && (
                <Button variant="contained" onClick={() => void starter()}>
                  Look at the small start
                </Button>
              )}
            </div>
            <Switch
              label="Where both have it and differ"
              value={keep}
              onChange={(k) => {
                setKeep(k);
                if (bundle && state.at === 'tried') void run(bundle, k, true);
              }}
              options={[
                { value: 'file', word: 'the file counts' },
                { value: 'here', word: 'what is here counts' },
              ]}
            />
          </section>
        )}
      </div>
      <div role="alert">
        {wrong.length > 0 && (
          <div className="message wrong">
            {wrong.map((w) => (
              <p key={w}>{w}</p>
            ))}
          </div>
        )}
      </div>
      {state.at === 'working' && (
        <div className="message row" role="status">
          <progress value={state.done} max={state.of} aria-label="How far it is" />
          <span>
            {state.dry ? 'Trying' : 'Taking in'} {bundle?.from}: {state.done} of {state.of}
          </span>
          <Button onClick={() => stop.current?.abort()}>Stop</Button>
        </div>
      )}
      {report && bundle && (
        <section className="stack report">
          <h2>
            {state.at === 'done'
              ? `Taken in from ${bundle.from}`
              : bad > 0
                ? `${bundle.from} does not go in as it is`
                : `What ${bundle.from} would do`}
          </h2>
          <p className="sub">
            {FATES.filter((f) => by(f).length > 0)
              .map((f) => `${inWords(by(f).length)} ${f}`)
              .join(', ')}
            .
          </p>
          {state.at === 'tried' && bad > 0 && (
            <p className="message">
              All goes in or nothing. Mend what is refused or in conflict in the file, or rename it here, and try again.
            </p>
          )}
          {state.at === 'done' && (
            <p className="message good">
              Done. <a href="/syllabus">Look at the way</a>
              {report.lines.some((l) => l.what === 'syllabus' && l.fate !== 'the same') &&
                ', and publish the draft when it is right'}
              .
            </p>
          )}
          {state.at === 'tried' && bad === 0 && (
            <div className="row">
              <Button variant="contained" disabled={coming === 0} onClick={() => void run(bundle, keep, false)}>
                {coming === 0 ? 'Nothing to take in' : `Take ${inWords(coming)} in`}
              </Button>
            </div>
          )}
          {(['refused', 'in conflict', 'changed', 'new', 'kept as here'] as const).map((f) => (
            <Lines key={f} fate={f} lines={by(f)} />
          ))}
        </section>
      )}
    </IslandRoot>
  );
}

const SHOWN = 60;
function Lines({ fate, lines }: { fate: Fate; lines: readonly BundleLine[] }) {
  if (lines.length === 0) return null;
  return (
    <details open={fate === 'refused' || fate === 'in conflict' || fate === 'changed'}>
      <summary>
        {capital(fate)}: {inWords(lines.length)}
      </summary>
      <ul className="plain">
        {lines.slice(0, SHOWN).map((l, i) => (
          <li key={i}>
            <b>{l.name}</b> <span className="second">{l.what}</span> {l.why}
          </li>
        ))}
        {lines.length > SHOWN && <li className="second">and {lines.length - SHOWN} more</li>}
      </ul>
    </details>
  );
}
