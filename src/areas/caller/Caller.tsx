import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  actionSaid,
  CALL_MODES,
  COUNT_LANGUAGES,
  layoutStave,
  makeVocabulary,
  mirror,
  PLAIN_PACE,
  shortName,
  swapRoles,
  svgOf,
  traceFloor,
  turnArc,
  type Call,
  type CallMode,
  type CountLanguageId,
  type Move,
  type Pace,
} from '../../core';
import { Stave } from '../../kit/drawing/Stave';
import { onScreen } from '../../kit/drawing/tones';
import '../../kit/drawing/drawing.css';
import { useEastern } from '../../kit/fonts/useEastern';
import { IslandRoot } from '../../kit/IslandRoot';
import { FootMark } from '../../kit/marks/small';
import { Switch } from '../../kit/Switch';
import { hasVoice } from './sound';
import { useCalling } from './useCalling';
import './caller.css';

const MODE_WORDS: Record<CallMode, string> = {
  through: 'straight through',
  tens: 'by tens a side',
  pyramid: 'as a pyramid',
  quarters: 'quarters at random',
  clock: 'by the clock',
};
type Words = CountLanguageId | 'names' | 'terms';

const heightOf = (h: string) => (h === 'upper' ? 'high ' : h === 'lower' ? 'low ' : '');
/** What is done in a count, limb by limb: “rising block right”. */
function doneIn(move: Move): string[] {
  const acts = move.step.actions.map((a) => {
    const named = /\b(high|low|rising|upper|lower)\b/i.test(a.name);
    return `${named || a.zone === null ? '' : heightOf(a.zone)}${actionSaid(a)}`;
  });
  if (acts.length > 0) return acts;
  const f = move.step.foot;
  return [
    f ? `${f.side} foot ${f.way === 'draw' ? 'back' : f.way}` : (shortName(move.step)[0] ?? 'hold'),
    ...(f?.way === 'draw' ? ['ready'] : []),
  ];
}

/** The caller: big enough to read across a hall, stops at once, needs no network once it is open. */
export default function Caller({ view }: { view: SequenceView }) {
  const s = view.sequence!;
  const two = s.body.moves.some((m) => m.partner !== null);
  const [pace, setPace] = useState<Pace>(() => ({
    ...PLAIN_PACE,
    mode: s.body.about.seconds !== null ? 'clock' : 'through',
    clock: s.body.about.seconds ?? 45,
    rounds: 1,
    sides: 'written',
    seed: Math.floor(Math.random() * 1e9),
  }));
  const [words, setWords] = useState<Words>('en');
  const [voice, setVoice] = useState(true);
  const [tone, setTone] = useState(true);
  const [facing, setFacing] = useState(false);
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const wordsFor = (call: Call) => {
    if (words !== 'terms' || !call.move) return { say: call.say, lang: call.lang };
    const first = call.move.step.actions[0];
    const term = first ? vocabulary.find(first.name)?.terms[0] : undefined;
    return { say: term ?? call.say, lang: 'und' };
  };
  const { calling, start, stop, hold, repace } = useCalling(s.body, { voice, tone, wordsFor });
  const set = (change: Partial<Pace>) => setPace({ ...pace, ...change });
  const full = { ...pace, words: words === 'terms' ? ('names' as const) : words };
  const call = calling.calls[calling.at];
  const running = calling.state !== 'ready';
  // Before the first count, so that they are there when the network is not.
  useEastern(words === 'en' || words === 'names' ? '' : '一한あ', ...view.words.flatMap((w) => w.terms.slice(0, 1)));

  useEffect(() => {
    const keys = (e: KeyboardEvent) => {
      if (e.target instanceof HTMLInputElement || !running) return;
      if (e.key === 'Escape') stop();
      else if (e.key === ' ') {
        e.preventDefault();
        hold();
      }
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [running, stop, hold]);

  if (s.body.moves.length === 0)
    return (
      <IslandRoot scheme="dark">
        <main className="caller-set">
          <h1>There is nothing to call yet</h1>
          <p>
            <a href={`/sequences/${s.id}`}>Write its first count</a>.
          </p>
        </main>
      </IslandRoot>
    );

  if (!running)
    return (
      <IslandRoot scheme="dark">
        <main className="caller-set" aria-busy={false}>
          <p>
            <a href={`/sequences/${s.id}`}>{s.title}</a>
          </p>
          <h1>How shall it be called?</h1>
          <div role="alert">{calling.wrong && <p className="message wrong">{calling.wrong}</p>}</div>
          <Switch
            mat
            label="How"
            value={pace.mode}
            onChange={(mode) => set({ mode })}
            options={CALL_MODES.map((m) => ({ value: m, word: MODE_WORDS[m] }))}
          />
          <Switch
            mat
            label="Sides"
            value={pace.sides}
            onChange={(sides) => set({ sides })}
            options={[
              { value: 'written', word: 'as written' },
              { value: 'mirrored', word: 'the other side' },
              { value: 'both', word: 'both in turn' },
            ]}
          />
          <div className="row fields">
            <TextField
              id="words"
              label="Counted in"
              select
              value={words}
              onChange={(e) => setWords(e.target.value as Words)}
            >
              {Object.entries(COUNT_LANGUAGES).map(([id, l]) => (
                <MenuItem key={id} value={id}>
                  {l.name}
                </MenuItem>
              ))}
              <MenuItem value="names">names</MenuItem>
              <MenuItem value="terms">the school’s terms</MenuItem>
            </TextField>
            <Number
              label="Seconds a count"
              value={pace.secondsPerCount}
              lo={0.4}
              hi={10}
              step={0.1}
              onChange={(secondsPerCount) => set({ secondsPerCount })}
            />
            <Number label="Rounds" value={pace.rounds} lo={1} hi={50} step={1} onChange={(rounds) => set({ rounds })} />
            <Number
              label="Pause, seconds"
              value={pace.rest}
              lo={0}
              hi={300}
              step={1}
              onChange={(rest) => set({ rest })}
            />
            {(pace.mode === 'tens' || pace.mode === 'quarters') && (
              <Number
                label={pace.mode === 'tens' ? 'Times a side' : 'Counts'}
                value={pace.times}
                lo={1}
                hi={200}
                step={1}
                onChange={(times) => set({ times })}
              />
            )}
            {pace.mode === 'clock' && (
              <Number
                label="Round, seconds"
                value={pace.clock}
                lo={5}
                hi={600}
                step={5}
                onChange={(clock) => set({ clock })}
              />
            )}
            <Number
              label="From count"
              value={pace.from}
              lo={1}
              hi={s.body.moves.length}
              step={1}
              onChange={(from) => set({ from })}
            />
          </div>
          <div className="row fields">
            <Toggle on={pace.switches} word="Sides switch without warning" set={(switches) => set({ switches })} />
            {two && <Toggle on={pace.swapRoles} word="Roles swap each round" set={(x) => set({ swapRoles: x })} />}
            <Toggle on={facing} word="I face the class" set={setFacing} />
            <Toggle on={voice} word="Voice" set={setVoice} />
            <Toggle on={tone} word="Tone" set={setTone} />
          </div>
          {voice && words !== 'names' && words !== 'terms' && (
            <VoiceHint lang={COUNT_LANGUAGES[words].tag} name={COUNT_LANGUAGES[words].name} />
          )}
          {two && (
            <p className="say">
              The instructor is in charge of all contact and of how heated it gets. Pain: stop. Suspected concussion:
              off the floor, medical assessment, not back the same day.
            </p>
          )}
          <div className="row">
            <Button className="begin" variant="contained" onClick={() => start(full)}>
              Begin
            </Button>
          </div>
        </main>
      </IslandRoot>
    );

  return (
    <IslandRoot scheme="dark">
      <main className="calling">
        <Board
          view={view}
          call={call}
          next={calling.calls.slice(calling.at + 1).find((c) => c.kind === 'count')}
          words={words}
          pace={pace}
          facing={facing}
          over={calling.state === 'over'}
          termOf={(c) => wordsFor(c).say}
        />
        <footer>
          <div className="pace">
            <Button
              onClick={() => {
                const secondsPerCount = Math.min(10, Math.round((pace.secondsPerCount + 0.2) * 10) / 10);
                set({ secondsPerCount });
                repace({ ...full, secondsPerCount });
              }}
            >
              Slower
            </Button>
            <Button
              onClick={() => {
                const secondsPerCount = Math.max(0.4, Math.round((pace.secondsPerCount - 0.2) * 10) / 10);
                set({ secondsPerCount });
                repace({ ...full, secondsPerCount });
              }}
            >
              Faster
            </Button>
          </div>
          <span className="gap" />
          <Button onClick={hold}>{calling.state === 'held' ? 'Go on' : 'Hold'}</Button>
          <Button className="stop" onClick={stop}>
            Stop
          </Button>
        </footer>
      </main>
    </IslandRoot>
  );
}

function Number({
  label,
  value,
  lo,
  hi,
  step,
  onChange,
}: {
  label: string;
  value: number;
  lo: number;
  hi: number;
  step: number;
  onChange: (n: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const n = globalThis.Number(text.replace(',', '.'));
  const fine = text.trim() !== '' && n >= lo && n <= hi;
  return (
    <TextField
      id={`n-${label}`}
      label={label}
      value={text}
      inputMode="decimal"
      error={!fine}
      helperText={fine ? undefined : `from ${lo} to ${hi}`}
      onChange={(e) => {
        setText(e.target.value);
        const x = globalThis.Number(e.target.value.replace(',', '.'));
        if (e.target.value.trim() !== '' && x >= lo && x <= hi) onChange(step >= 1 ? Math.round(x) : x);
      }}
    />
  );
}

function Toggle({ on, word, set }: { on: boolean; word: string; set: (on: boolean) => void }) {
  return (
    <Button className={`toggle${on ? ' on' : ''}`} role="switch" aria-checked={on} onClick={() => set(!on)}>
      {word}: {on ? 'yes' : 'no'}
    </Button>
  );
}

function VoiceHint({ lang, name }: { lang: string; name: string }) {
  const [known, setKnown] = useState<boolean | null>(null);
  useEffect(() => {
    const look = () => setKnown(hasVoice(lang));
    const timer = setTimeout(look, 300);
    return () => clearTimeout(timer);
  }, [lang]);
  return known === false ? (
    <p className="second">This device has no voice for {name}: the tone and the screen call.</p>
  ) : null;
}

function Board({
  view,
  call,
  next,
  words,
  pace,
  facing,
  over,
  termOf,
}: {
  view: SequenceView;
  call: Call | undefined;
  next: Call | undefined;
  words: Words;
  pace: Pace;
  facing: boolean;
  over: boolean;
  termOf: (call: Call) => string;
}) {
  const s = view.sequence!;
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const mirrored = call?.mirrored ?? pace.sides === 'mirrored';
  const swapped = call?.rolesSwapped ?? false;
  const { layout, trace } = useMemo(() => {
    let body = swapped ? swapRoles(s.body) : s.body;
    if (mirrored) body = mirror(body);
    const floor = traceFloor(body, { stature: 1.7, stances: (name) => vocabulary.find(name)?.geometry ?? null });
    return {
      trace: floor,
      layout: layoutStave(
        body,
        {
          column: 103,
          zoneGap: 31,
          scale: 1.32,
          rows: {
            sections: false,
            breath: false,
            turn: false,
            weight: false,
            names: false,
            feet: !body.moves.some((m) => m.partner !== null),
          },
        },
        floor,
      ),
    };
  }, [s.body, mirrored, swapped, vocabulary]);
  const move = call?.move ?? null;
  const index = call?.index ?? null;
  const at = index === null ? undefined : trace.at[index];
  const before = index === null || index === 0 ? trace.start : trace.at[index - 1];
  const large = call === undefined ? '' : call.kind === 'count' && words === 'terms' ? termOf(call) : call.written;
  const language = words === 'names' || words === 'terms' ? null : COUNT_LANGUAGES[words];
  const said = call?.kind === 'count' && language && call.number > 0 ? language.word(call.number).said : '';
  const mine = move && facing ? mirror({ ...s.body, moves: [move] }).moves[0]! : null;
  const quiet = call && call.kind !== 'count';
  const headed = at?.heading ?? 0;
  return (
    <>
      <div className="hd">
        <h1>{s.title}</h1>
        <p className="side">
          <FootMark side={mirrored ? 'right' : 'left'} height={38} />
          {mirrored ? 'the other side' : 'as written'}
          {swapped && <small>roles swapped</small>}
        </p>
        <p className="pc num">
          <b>{pace.secondsPerCount.toFixed(1)}</b> s a count
        </p>
        <p className="rd">
          round {call?.round ?? 1} of {pace.rounds * (pace.sides === 'both' ? 2 : 1)}
        </p>
      </div>
      <div className={`face${quiet ? ' quiet' : ''}`} aria-live="assertive">
        <p className="n">{call === undefined ? '' : quiet ? '' : call.number}</p>
        <div className="w">
          <Fit text={over ? 'Stop' : large} lang={call?.lang ?? 'en'} />
          {said && said !== large && <p className="said">{said}</p>}
          {move && (
            <div className="do">
              <svg width="92" height="92" viewBox="-46 -46 92 92" aria-hidden="true">
                <g
                  dangerouslySetInnerHTML={{
                    __html: svgOf(
                      move.step.turn ? turnArc(0, 0, before?.heading ?? 0, move.step.turn.degrees, 2.3) : [],
                      onScreen,
                    ),
                  }}
                />
                <g transform={`rotate(${headed}) scale(2.3)`}>
                  <path d="M0 9V-7" stroke="var(--ink)" strokeWidth="1.9" strokeLinecap="round" />
                  <path d="M0 -12L4.5 -4H-4.5Z" fill="var(--ink)" />
                </g>
              </svg>
              <div>
                {doneIn(move)
                  .slice(0, 2)
                  .map((d) => (
                    <p key={d} className="mv">
                      {d}
                    </p>
                  ))}
                {move.partner && <p className="b">B: {doneIn({ ...move, step: move.partner }).join(', ')}</p>}
                {mine && <p className="b">you, facing them: {doneIn(mine).join(', ')}</p>}
              </div>
            </div>
          )}
          <p className="nx">
            <span>next</span> {next?.move ? `${next.number} ${doneIn(next.move)[0]!}` : 'the end'}
          </p>
        </div>
      </div>
      <div className="line">
        <Stave layout={layout} title={s.title} lit={index} next={next?.index ?? null} follow />
      </div>
    </>
  );
}

/** A word as large as its place allows. */
function Fit({ text, lang }: { text: string; lang: string }) {
  const wide = [...text].reduce((w, c) => w + (c.codePointAt(0)! > 0x2e7f ? 1 : 0.54), 0);
  const size = Math.min(176, 620 / Math.max(1, wide));
  return (
    <p className="word" lang={lang} style={{ fontSize: `min(${size.toFixed(0)}px, ${(size / 12.8).toFixed(1)}vw)` }}>
      {text}
    </p>
  );
}
