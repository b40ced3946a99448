import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useState } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  CALL_MODE_WORDS,
  CALL_MODES,
  CALL_SIDES_WORDS,
  ceilingsKept,
  COUNT_LANGUAGES,
  LANES,
  makeVocabulary,
  PLAIN_PACE,
  rolesOf,
  workingLane,
  type BlockCall,
  type Call,
  type CountLanguageId,
  type Lane,
  type Pace,
} from '../../core';
import { callOfAddress, isForClass } from '../../contracts/blockCall';
import '../../kit/drawing/drawing.css';
import { backToClass } from '../../kit/mat/backToClass';
import { IslandRoot } from '../../kit/IslandRoot';
import { Switch } from '../../kit/Switch';
import { Board, type Words } from './Board';
import './caller.css';
import { NumberBox, Toggle, VoiceHint } from './Fields';
import { Tapped } from './Tapped';
import { useCalling } from './useCalling';

/** Every language that is counted in, those of the hall first. */
const hallFirst = (languages: readonly CountLanguageId[]): CountLanguageId[] => [
  ...new Set([...languages, ...(Object.keys(COUNT_LANGUAGES) as CountLanguageId[])]),
];

interface Shown {
  view: SequenceView;
  languages: readonly CountLanguageId[];
}

/** The caller: big enough to read across a hall, stops at once, needs no network once it is open. */
export default function Caller(shown: Shown) {
  const [asked, setAsked] = useState<{ call: BlockCall | null; back: string | null }>({ call: null, back: null });
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the address and the device say, once they can be read
    setAsked({ call: callOfAddress(location.search), back: isForClass(location.search) ? backToClass() : null });
  }, []);
  return <Called key={asked.call ? 'asked' : 'plain'} {...shown} {...asked} />;
}

/** As a block of the class asks for it, or plainly. */
function Called({ view, languages, call: asked, back }: Shown & { call: BlockCall | null; back: string | null }) {
  const s = view.sequence!;
  const two = s.body.moves.some((m) => m.partner !== null);
  const [pace, setPace] = useState<Pace>(() => ({
    ...PLAIN_PACE,
    mode: s.body.about.seconds !== null ? 'clock' : 'through',
    clock: s.body.about.seconds ?? 45,
    rounds: 1,
    sides: 'written',
    ...asked,
    seed: Math.floor(Math.random() * 1e9),
  }));
  const [words, setWords] = useState<Words>(languages[0] ?? 'en');
  const [voice, setVoice] = useState(true);
  const [tone, setTone] = useState(true);
  const [facing, setFacing] = useState(false);
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const kept = useMemo(() => ceilingsKept(s.body, vocabulary), [s.body, vocabulary]);
  const wordsFor = (call: Call) => {
    if (words !== 'terms' || !call.move) return { say: call.say, lang: call.lang };
    const first = (call.lane === 'A' ? call.move.step : call.move.partner)?.actions[0];
    const term = first ? vocabulary.find(first.name)?.terms[0] : undefined;
    return { say: term ?? call.say, lang: 'und' };
  };
  const { calling, start, stop, hold, repace, saidSoFar } = useCalling(s.body, { voice, tone, wordsFor });
  const set = (change: Partial<Pace>) => setPace({ ...pace, ...change });
  const full: Pace = { ...pace, words: words === 'terms' ? 'names' : words, hall: languages[0] ?? 'en' };
  const roles = rolesOf(s.body);
  const lane: Lane = pace.lane ?? workingLane(s.body);
  const call = calling.calls[calling.at];
  const running = calling.state !== 'ready';
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
            <a href={back ?? `/sequences/${s.id}`}>{back === null ? s.title : 'Back to the class'}</a>
          </p>
          <h1>{back === null ? 'How shall it be called?' : `How shall ${s.title} be called?`}</h1>
          <div role="alert">{calling.wrong && <p className="message wrong">{calling.wrong}</p>}</div>
          <Switch
            mat
            label="How"
            value={pace.mode}
            onChange={(mode) => set({ mode })}
            options={CALL_MODES.map((m) => ({ value: m, word: CALL_MODE_WORDS[m] }))}
          />
          <Switch
            mat
            label="Sides"
            value={pace.sides}
            onChange={(sides) => set({ sides })}
            options={(['written', 'mirrored', 'both'] as const).map((x) => ({ value: x, word: CALL_SIDES_WORDS[x] }))}
          />
          {roles && (
            <Switch
              mat
              label="Whose work is called"
              value={lane}
              onChange={(x) => set({ lane: x })}
              options={LANES.map((x) => ({ value: x, word: roles[x] === x ? `lane ${x}` : `the ${roles[x]}` }))}
            />
          )}
          <div className="row fields">
            <TextField
              id="words"
              label="Counted in"
              select
              value={words}
              onChange={(e) => setWords(e.target.value as Words)}
            >
              {hallFirst(languages).map((id) => (
                <MenuItem key={id} value={id}>
                  {COUNT_LANGUAGES[id].name}
                </MenuItem>
              ))}
              <MenuItem value="names">names</MenuItem>
              <MenuItem value="terms">the school’s terms</MenuItem>
            </TextField>
            <NumberBox
              label="Seconds a count"
              value={pace.secondsPerCount}
              lo={0.4}
              hi={10}
              step={0.1}
              onChange={(secondsPerCount) => set({ secondsPerCount })}
            />
            <NumberBox
              label="Rounds"
              value={pace.rounds}
              lo={1}
              hi={50}
              step={1}
              onChange={(rounds) => set({ rounds })}
            />
            <NumberBox
              label="Pause, seconds"
              value={pace.rest}
              lo={0}
              hi={300}
              step={1}
              onChange={(rest) => set({ rest })}
            />
            {(pace.mode === 'tens' || pace.mode === 'sets' || pace.mode === 'quarters') && (
              <NumberBox
                label={pace.mode === 'quarters' ? 'Counts' : 'Times a side'}
                value={pace.times}
                lo={1}
                hi={200}
                step={1}
                onChange={(times) => set({ times })}
              />
            )}
            {pace.mode === 'clock' && (
              <NumberBox
                label="Round, seconds"
                value={pace.clock}
                lo={5}
                hi={600}
                step={5}
                onChange={(clock) => set({ clock })}
              />
            )}
            <NumberBox
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
          {kept.length > 0 && (
            <ul className="say">
              {kept.map((k) => (
                <li key={k}>{k}</li>
              ))}
            </ul>
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
          <Tapped over={calling.state === 'over'} saidSoFar={saidSoFar} />
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
