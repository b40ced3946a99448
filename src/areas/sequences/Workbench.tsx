import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import { dateInWords, inWords, mapSections, plural, recipeWords, schoolsOf, sectionings } from '../../core';
import '../../kit/drawing/drawing.css';
import { HallSheet } from '../../kit/halls/HallSheet';
import { IslandRoot } from '../../kit/IslandRoot';
import { Switch } from '../../kit/Switch';
import { Derive } from './Derive';
import { Editor } from './Editor';
import { Known } from './Known';
import { LiveStave } from './LiveStave';
import './shared.css';
import { TakeOut } from './TakeOut';
import { Under } from './Under';
import { Unfit } from './Unfit';
import { useReading } from './useReading';
import { useWorkbench } from './useWorkbench';
import './Workbench.css';

/** "Does it hold together?": type the counts, see stave, floor, tally and checks, derive, waive, print, export and call. */
export default function Workbench({ view: first }: { view: SequenceView }) {
  const bench = useWorkbench(first);
  const { view, id, title, text, live, start, draft, message, refresh } = bench;
  const reading = useReading(text, view);
  const { typed, problems, lineOf, read, body, trace, departs, stature, keeper, sectioning } = reading;
  const [over, setOver] = useState<number | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const [place, setPlace] = useState<{ line: number } | null>(null);
  const [sheet, setSheet] = useState<'none' | 'derive' | 'recipe' | 'hall'>('none');
  const lit = over ?? at;
  const countOf = useMemo(() => new Map(lineOf.map((line, i) => [line, i + 1])), [lineOf]);
  const lines = useMemo(() => ({ countOf, departs: departs.moves, lit }), [countOf, departs, lit]);
  const errors = problems.filter((p) => p.severity === 'error');
  const cuts = sectionings(read);
  const schools = schoolsOf(typed);

  const atNow = useRef(at);
  // What the columns call stays the same function, so that a key does not draw them all.
  const lineNow = useRef(lineOf);
  useEffect(() => {
    atNow.current = at;
    lineNow.current = lineOf;
  });
  const onLine = useCallback(
    (line: number) => {
      const n = countOf.get(line);
      const next = n === undefined ? null : n - 1;
      if (next !== atNow.current) setAt(next);
    },
    [countOf],
  );
  const pick = useCallback((index: number) => {
    setAt(index);
    const line = lineNow.current[index];
    if (line !== undefined) setPlace({ line });
  }, []);
  const openHalls = useCallback(() => setSheet((x) => (x === 'hall' ? 'none' : 'hall')), []);
  const name = title || 'a new sequence';
  const s = view.sequence;

  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>{s ? `Does ${s.title} hold together?` : 'How does it go?'}</h1>
          <p className="sub">
            {read.about.kind === 'form' ? 'Form' : read.about.kind[0]!.toUpperCase() + read.about.kind.slice(1)}
            {read.about.rank ? ` for ${read.about.rank}` : ''}, {inWords(read.moves.length)}{' '}
            {plural(read.moves.length, 'count')}
            {s &&
              `, version ${s.version}, changed ${dateInWords(s.changedOn)}${s.changedBy ? ` by ${s.changedBy}` : ''}`}
            . Drawn for a stature of {stature.toFixed(2)} m.
          </p>
        </div>
        <div className="actions">
          {s && (
            <a className="button" href={`/sequences/${id}/print`}>
              Print the stave
            </a>
          )}
          {s && (
            <a className="button" href={`/sequences/${id}/call`}>
              Call it
            </a>
          )}
          <Button
            variant="contained"
            disabled={!bench.changed || bench.busy || title.trim() === ''}
            onClick={() => void bench.save(new Set(errors.map((p) => p.line)).size)}
          >
            {bench.busy ? 'Saving' : 'Save'}
          </Button>
        </div>
      </div>

      <Known id={id} about={read.about} alike={view.alike} />

      <div role="alert">
        {message && <p className={`message ${message.good ? 'good' : 'wrong'}`}>{message.text}</p>}
        {s?.trouble && (
          <p className="message wrong">
            The recipe cannot be followed any more: {s.trouble} The last good counts are shown.
          </p>
        )}
      </div>
      {draft && (
        <p className="message">
          Text typed here on {new Date(draft.at).toLocaleString('en-GB', { dateStyle: 'long', timeStyle: 'short' })} was
          not saved. <Button onClick={bench.takeUpDraft}>Take it up</Button>{' '}
          <Button onClick={bench.dropDraft}>Let it go</Button>
        </p>
      )}
      {view.parent && s?.recipe && (
        <p className="recipe">
          <span>
            From <a href={`/sequences/${view.parent.id}`}>{view.parent.title}</a>:{' '}
            {recipeWords(s.recipe, (x) => view.others.find((o) => o.id === x)?.title ?? 'another sequence')}.
          </span>
          <span className="second">
            {departs.added + departs.left > 0 && <i className="tab" aria-hidden="true" />}
            {[
              departs.added > 0 ? `${inWords(departs.added)} ${plural(departs.added, 'count')} not its parent’s` : '',
              departs.byHand > 0 ? `${inWords(departs.byHand)} changed by hand` : 'in step with its parent',
            ]
              .filter(Boolean)
              .join(', ')}
          </span>
          <Button onClick={() => setSheet(sheet === 'recipe' ? 'none' : 'recipe')}>Change the recipe</Button>
        </p>
      )}
      {bench.meeting}
      <Unfit view={view} />

      <div className="bench">
        <div className="text">
          <TextField
            id="sequence-title"
            label="Title"
            value={title}
            onChange={(e) => bench.setTitle(e.target.value)}
            error={title.trim() === '' && text.trim() !== ''}
            helperText={
              title.trim() === '' && text.trim() !== '' ? 'It needs a title before it can be saved.' : undefined
            }
          />
          <Editor
            start={start}
            words={view.words}
            lines={lines}
            problems={problems}
            place={place}
            onText={bench.onText}
            onLine={onLine}
          />
          <p className="keys">
            {problems.length > 0 ? (
              <span className={errors.length > 0 ? 'hurts' : 'attention'}>
                Line {problems[0]!.line}, place {problems[0]!.column}: {problems[0]!.message} Expected:{' '}
                {problems[0]!.expected}.{problems[0]!.near.length > 0 && ` Near it: ${problems[0]!.near.join(', ')}.`}
              </span>
            ) : (
              'One count a line. Alt ↑ ↓ shifts a count, Tab completes.'
            )}{' '}
            <a href="/guide/notation">How it is written</a>
          </p>
        </div>

        <div className="score">
          <LiveStave
            live={live}
            drawing={reading.drawing}
            title={name}
            lit={lit}
            onOver={setOver}
            onPick={pick}
            follow={over === null}
          />
          {sheet === 'derive' && s && (
            <Derive
              parent={{ id, title: s.title, body: { ...read, about: { ...read.about, title: s.title } } }}
              others={view.others}
              words={view.words}
              leave={() => setSheet('none')}
              existing={null}
            />
          )}
          {sheet === 'recipe' && s?.recipe && view.parent && (
            <Derive
              parent={view.parent}
              others={view.others}
              words={view.words}
              leave={() => setSheet('none')}
              existing={{ id, title: s.title, recipe: s.recipe }}
            />
          )}
          {sheet === 'hall' && (
            <HallSheet halls={view.halls} done={async () => void (await refresh())} leave={() => setSheet('none')} />
          )}
          {schools.length > 0 && (
            <Switch
              label="Drawn as"
              value={keeper}
              onChange={reading.setKeeper}
              options={[
                { value: '', word: 'as written' },
                ...schools.map((x) => ({ value: `~${x}`, word: x })),
                { value: 'gradings', word: 'at gradings' },
              ]}
            />
          )}
          {cuts.length > 1 && (
            <div className="row">
              <Switch
                label="Sectioning"
                value={sectioning}
                onChange={reading.setSectioning}
                options={cuts.map((c) => ({ value: String(c.sectioning), word: c.name || 'sections' }))}
              />
              <span className="second">
                {mapSections(cuts[0]!, cuts[1]!)
                  .map((m) => `${m.section.name} is ${m.others.map((o) => o.name).join(' with ') || 'in none'}`)
                  .join('; ')}
                .
              </span>
            </div>
          )}
          <Under
            view={view}
            name={name}
            read={read}
            trace={trace}
            pair={reading.pair}
            body={body}
            plan={reading.plan}
            findings={reading.findings}
            lit={lit}
            stature={stature}
            setStature={reading.setStature}
            hallId={reading.hallId}
            setHall={reading.setHall}
            openHalls={openHalls}
            onOver={setOver}
            onPick={pick}
            mayWaive={view.sequence !== null && !bench.changed}
            waive={bench.waive}
          />
          <div className="row after">
            {s && <Button onClick={() => setSheet(sheet === 'derive' ? 'none' : 'derive')}>Derive from it</Button>}
            <TakeOut
              name={name}
              text={text}
              drawing={reading.drawing}
              sequence={{ ...typed, about: { ...read.about, title: name } }}
            />
            {s && (
              <a className="button" href={`/sequences/${id}/beside`}>
                Lay beside another
              </a>
            )}
            {s && (
              <Button onClick={() => void bench.retire(!s.retired)}>{s.retired ? 'Put it back' : 'Retire it'}</Button>
            )}
          </div>
          {view.children.length > 0 && (
            <section className="family" aria-labelledby="family">
              <h2 id="family">Made from it</h2>
              <ul>
                {view.children.map((c) => (
                  <li key={c.id}>
                    <a href={`/sequences/${c.id}`}>{c.title}</a> <span className="second">{c.how}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </div>
      </div>
    </IslandRoot>
  );
}
