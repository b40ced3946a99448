import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { storedSequenceDraft, type SequenceDraft } from '../../contracts/stored/sequenceDraft';
import type { SequenceView } from '../../contracts/views';
import {
  applyDepartures,
  checkSequence,
  dateInWords,
  inWords,
  layoutFloor,
  makeVocabulary,
  mapSections,
  plural,
  printSequence,
  recipeWords,
  schoolsOf,
  sectionings,
} from '../../core';
import '../../kit/drawing/drawing.css';
import { download, fileName, staveFile, stavePicture } from '../../kit/drawing/exportDrawing';
import { useEastern } from '../../kit/fonts/useEastern';
import { IslandRoot } from '../../kit/IslandRoot';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { ask, newId, send } from '../../kit/send';
import { Switch } from '../../kit/Switch';
import { Derive } from './Derive';
import { Editor } from './Editor';
import { HallSheet } from './HallSheet';
import { LiveStave } from './LiveStave';
import { liveText, scoreOf, type Drawing } from './score';
import './shared.css';
import { Under } from './Under';
import './Workbench.css';

const FRESH = '';
/** Where the text of a sequence waits on the device. */
const draftKey = (id: string) => `stavewright.draft.${id}`;

/** "Does it hold together?": type the counts, see stave, floor, tally and checks, derive, waive, print, export and call. */
export default function Workbench({ view: first }: { view: SequenceView }) {
  const [view, setView] = useState(first);
  const [id] = useState(() => first.sequence?.id ?? newId());
  const [title, setTitle] = useState(first.sequence?.title ?? '');
  const [start, setStart] = useState(first.sequence?.text ?? FRESH);
  const [text, setText] = useState(start);
  const [saved, setSaved] = useState({ title: first.sequence?.title ?? '', text: first.sequence?.text ?? FRESH });
  const [over, setOver] = useState<number | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const [place, setPlace] = useState<{ line: number } | null>(null);
  const [stature, setStature] = useState(1.7);
  const [hallId, setHall] = useState(first.halls[0]?.id ?? '');
  const [sheet, setSheet] = useState<'none' | 'derive' | 'recipe' | 'hall'>('none');
  const [sectioning, setSectioning] = useState('1');
  const [keeper, setKeeper] = useState('');
  const [message, setMessage] = useState<{ good: boolean; text: string } | null>(null);
  const [draft, setDraft] = useState<SequenceDraft | null>(null);
  const [busy, setBusy] = useState(false);

  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const drawing: Drawing = useMemo(
    () => ({
      vocabulary,
      keeper,
      stature,
      sectioning: Number(sectioning),
      computed: view.computed,
      parent: view.parent?.body ?? null,
      recipe: view.sequence?.recipe ?? null,
    }),
    [vocabulary, keeper, stature, sectioning, view],
  );
  // The stave follows every key at once (LiveStave); what is read here may follow a moment later.
  const [live] = useState(() => liveText(start));
  const { typed, problems, lineOf, read, body, trace, departs } = useMemo(
    () => scoreOf(text, drawing),
    [text, drawing],
  );
  const onText = useCallback(
    (next: string) => {
      live.set(next);
      startTransition(() => setText(next));
    },
    [live],
  );
  const closes = read.about.kind === 'form' && !read.about.lineWork && !read.about.loop;
  const plan = useMemo(() => layoutFloor(read, trace, { closingAllowed: closes ? 0.3 : null }), [read, trace, closes]);
  const hall = view.halls.find((h) => h.id === hallId);
  const rankPlace =
    read.about.rank === null
      ? -1
      : view.ranks.findIndex((r) => r.name.toLowerCase() === read.about.rank!.toLowerCase());
  const findings = useMemo(
    () =>
      checkSequence(read, {
        vocabulary,
        body,
        rank: rankPlace < 0 ? null : rankPlace,
        ranks: view.ranks.map((r) => r.name),
        closingAllowed: 0.3,
        hall: hall && view.comes > 0 ? { name: hall.name, room: hall, people: view.comes } : null,
        beyond: (condition, ceiling) =>
          view.conditions.find((c) => c.name === ceiling)?.beyond.includes(condition) ?? false,
      }),
    [read, vocabulary, body, rankPlace, view, hall],
  );
  useEastern(text, title);
  const lit = over ?? at;
  const countOf = useMemo(() => new Map(lineOf.map((line, i) => [line, i + 1])), [lineOf]);
  const lines = useMemo(() => ({ countOf, departs: departs.moves, lit }), [countOf, departs, lit]);
  const changed = text !== saved.text || title !== saved.title;
  const errors = problems.filter((p) => p.severity === 'error');
  const wrongLines = new Set(errors.map((p) => p.line)).size;
  const cuts = sectionings(read);
  const schools = schoolsOf(typed);
  const derived = view.sequence?.parentId != null;

  // A draft that was left on this device is offered, never put in unasked.
  useEffect(() => {
    const left = readFromDevice(draftKey(id), storedSequenceDraft);
    const newer = first.sequence
      ? readFromDevice(draftKey(first.sequence.id), storedSequenceDraft)
      : readFromDevice(draftKey('new'), storedSequenceDraft);
    const found = left ?? newer;
    if (found && found.text !== (first.sequence?.text ?? FRESH)) queueMicrotask(() => setDraft(found));
  }, [id, first]);
  useEffect(() => {
    if (!changed) return;
    const timer = setTimeout(() => {
      keepOnDevice(draftKey(first.sequence ? id : 'new'), storedSequenceDraft, {
        title,
        text,
        version: view.sequence?.version ?? 0,
        at: new Date().toISOString(),
      });
    }, 400);
    const warn = (e: BeforeUnloadEvent) => {
      e.preventDefault();
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('beforeunload', warn);
    };
  }, [changed, id, first, title, text, view]);

  const atNow = useRef(at);
  useEffect(() => {
    atNow.current = at;
  });
  const onLine = useCallback(
    (line: number) => {
      const n = countOf.get(line);
      const next = n === undefined ? null : n - 1;
      if (next !== atNow.current) setAt(next);
    },
    [countOf],
  );
  // What the columns call stays the same function, so that a key does not draw them all.
  const lineNow = useRef(lineOf);
  useEffect(() => {
    lineNow.current = lineOf;
  });
  const pick = useCallback((index: number) => {
    setAt(index);
    const line = lineNow.current[index];
    if (line !== undefined) setPlace({ line });
  }, []);
  const refresh = async () => {
    const next = await ask('sequence', { id });
    if (!next.ok) setMessage({ good: false, text: `It is saved, but could not be read again. ${next.title}` });
    if (!next.ok || !next.view.sequence) return null;
    setView(next.view);
    return next.view.sequence;
  };
  /** Puts another text into the editor. */
  const put = (next: string) => {
    setStart(next);
    live.set(next);
    setText(next);
  };
  const save = async () => {
    const text = live.get();
    setBusy(true);
    setMessage(null);
    const answer = await send('sequence.save', {
      id,
      title,
      text,
      ...(view.sequence ? { version: view.sequence.version } : {}),
    });
    setBusy(false);
    if (!answer.ok) {
      setMessage({ good: false, text: answer.title });
      return;
    }
    dropFromDevice(draftKey(first.sequence ? id : 'new'));
    setSaved({ title, text });
    const followed = (answer.answer as { followed?: number }).followed ?? 0;
    if (!first.sequence) {
      window.history.replaceState(null, '', `/sequences/${id}`);
    }
    const now = await refresh();
    if (now && now.text !== text && derived) {
      put(now.text);
      setSaved({ title: now.title, text: now.text });
    }
    setMessage({
      good: true,
      text:
        (errors.length > 0 ? `Saved; ${wrongLines} ${plural(wrongLines, 'line')} cannot be read yet.` : 'Saved.') +
        (followed > 0 ? ` ${inWords(followed)} derived ${plural(followed, 'sequence')} followed.` : ''),
    });
  };
  const waive = useCallback(
    async (key: string, reason: string | null) => {
      const answer = await send('sequence.waive', { sequenceId: id, key, reason });
      if (!answer.ok) return answer.title;
      const next = await ask('sequence', { id });
      if (next.ok && next.view.sequence) setView(next.view);
      return next.ok ? null : next.title;
    },
    [id],
  );
  const openHalls = useCallback(() => setSheet((x) => (x === 'hall' ? 'none' : 'hall')), []);
  const retire = async (retired: boolean) => {
    const answer = await send('sequence.retire', { id, retired });
    if (answer.ok) await refresh();
    else setMessage({ good: false, text: answer.title });
  };
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
          <Button variant="contained" disabled={!changed || busy || title.trim() === ''} onClick={() => void save()}>
            {busy ? 'Saving' : 'Save'}
          </Button>
        </div>
      </div>

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
          not saved.{' '}
          <Button
            onClick={() => {
              put(draft.text);
              if (draft.title) setTitle(draft.title);
              setDraft(null);
            }}
          >
            Take it up
          </Button>{' '}
          <Button
            onClick={() => {
              dropFromDevice(draftKey(first.sequence ? id : 'new'));
              setDraft(null);
            }}
          >
            Let it go
          </Button>
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
      <Unfit view={view} />

      <div className="bench">
        <div className="text">
          <TextField
            id="sequence-title"
            label="Title"
            value={title}
            onChange={(e) => setTitle(e.target.value)}
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
            onText={onText}
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
            drawing={drawing}
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
              onChange={setKeeper}
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
                onChange={setSectioning}
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
            body={body}
            plan={plan}
            findings={findings}
            lit={lit}
            stature={stature}
            setStature={setStature}
            hallId={hallId}
            setHall={setHall}
            openHalls={openHalls}
            onOver={setOver}
            onPick={pick}
            mayWaive={view.sequence !== null && !changed}
            waive={waive}
          />
          <div className="row after">
            {s && <Button onClick={() => setSheet(sheet === 'derive' ? 'none' : 'derive')}>Derive from it</Button>}
            <Button
              onClick={() =>
                void staveFile(scoreOf(text, drawing).layout, name).then((f) =>
                  download(`${fileName(name)}.svg`, f, 'image/svg+xml'),
                )
              }
            >
              Stave as SVG
            </Button>
            <Button
              onClick={() =>
                void stavePicture(scoreOf(text, drawing).layout, name).then((f) => download(`${fileName(name)}.png`, f))
              }
            >
              Stave as PNG
            </Button>
            <Button
              onClick={() =>
                download(`${fileName(name)}.txt`, text.startsWith('title:') ? text : `title: ${name}\n${text}`)
              }
            >
              Text
            </Button>
            <Button
              onClick={() =>
                download(
                  `${fileName(name)}.json`,
                  JSON.stringify(
                    {
                      format: 'stavewright-sequences',
                      version: 1,
                      sequences: [{ ...typed, about: { ...read.about, title: name } }],
                    },
                    null,
                    2,
                  ),
                  'application/json',
                )
              }
            >
              JSON
            </Button>
            {s && <Button onClick={() => void retire(!s.retired)}>{s.retired ? 'Put it back' : 'Retire it'}</Button>}
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

/** Hand edits that found their place no more: told, not dropped. */
function Unfit({ view }: { view: SequenceView }) {
  const { sequence, computed } = view;
  if (!sequence || !computed) return null;
  const { unfit } = applyDepartures(computed.moves, sequence.departures);
  if (unfit.length === 0) return null;
  const said = (m: (typeof unfit)[number]['was']) =>
    m
      ? printSequence({
          ...sequence.body,
          about: { ...sequence.body.about, title: '', kind: 'form', rank: null },
          moves: [m],
          closing: [],
        }).trim()
      : '';
  return (
    <div className="message wrong" role="status">
      <p>
        {unfit.length === 1 ? 'A change made by hand does' : `${unfit.length} changes made by hand do`} not fit any
        more, since the parent changed. Write {unfit.length === 1 ? 'it' : 'them'} in again where{' '}
        {unfit.length === 1 ? 'it belongs' : 'they belong'}, or save to let go.
      </p>
      <ul>
        {unfit.map((u, i) => (
          <li key={i}>
            {u.was && u.becomes && (
              <>
                <s>{said(u.was)}</s> became <b>{said(u.becomes)}</b>
              </>
            )}
            {u.was && !u.becomes && (
              <>
                <s>{said(u.was)}</s> was left out
              </>
            )}
            {!u.was && (
              <>
                <b>{said(u.becomes)}</b> was put in
              </>
            )}
          </li>
        ))}
      </ul>
    </div>
  );
}
