import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { capital, chanceInWords, dateInWords, daysBetween, type Forecast as Found } from '../../../core';
import { ask } from '../../../kit/send';
import type { ForecastAsked, ForecastSaid } from '../../../workers/forecast';

type State =
  | { at: 'reading' }
  | { at: 'failed'; why: string }
  | { at: 'working'; done: number }
  | { at: 'stopped' }
  | { at: 'said'; forecast: Found };

const NOTHING_ASKED: Found = {
  silent: 'nothing asked',
  from: null,
  median: null,
  to: null,
  byGrading: null,
  decides: null,
  changes: [],
  aside: [],
};

/** "When?": a range of dates, simulated in a worker; shows how far it is and can be stopped. */
export function Forecast({
  studentId,
  today,
  gradingDay,
  name,
}: {
  studentId: string;
  today: string;
  gradingDay: string | null;
  /** The given name, or "you" to whom it is about. */
  name: string;
}) {
  const [state, setState] = useState<State>({ at: 'reading' });
  const [round, setRound] = useState(0);
  const worker = useRef<Worker | null>(null);
  useEffect(() => {
    let current = true;
    void ask('forecast', { id: studentId }).then((a) => {
      if (!current) return;
      if (!a.ok) return setState({ at: 'failed', why: a.title });
      const { view } = a;
      if (!view.input) return setState({ at: 'said', forecast: NOTHING_ASKED });
      const made = new Worker(new URL('../../../workers/forecast.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onmessage = (e: MessageEvent<ForecastSaid>) => {
        if (!current) return;
        setState(
          'forecast' in e.data ? { at: 'said', forecast: e.data.forecast } : { at: 'working', done: e.data.done },
        );
      };
      made.onerror = () => current && setState({ at: 'failed', why: '' });
      made.postMessage({ input: view.input, seed: `${studentId} ${today}` } satisfies ForecastAsked);
      setState({ at: 'working', done: 0 });
    });
    return () => {
      current = false;
      worker.current?.terminate();
    };
  }, [studentId, today, round]);
  const stop = () => {
    worker.current?.terminate();
    setState({ at: 'stopped' });
  };
  return (
    <section aria-live="polite" className="when">
      <h2>When</h2>
      {state.at === 'reading' && <p className="second line">Reading what is known…</p>}
      {state.at === 'working' && (
        <p className="second line row">
          Trying out how the weeks may go: {Math.round(state.done * 100)} in 100.{' '}
          <Button variant="text" onClick={stop}>
            Stop
          </Button>
        </p>
      )}
      {(state.at === 'stopped' || state.at === 'failed') && (
        <p className="second line">
          {state.at === 'stopped' ? 'Stopped.' : `It could not be tried out. ${state.why}`}{' '}
          <Button
            variant="text"
            onClick={() => {
              setState({ at: 'reading' });
              setRound(round + 1);
            }}
          >
            Try again
          </Button>
        </p>
      )}
      {state.at === 'said' && <Said f={state.forecast} today={today} gradingDay={gradingDay} name={name} />}
    </section>
  );
}

const SILENT: Record<NonNullable<Found['silent']>, (name: string) => string> = {
  'too few looks': () => 'Fewer than eight looks: too little to say when.',
  'may never end': (name) =>
    `No range: as ${name === 'you' ? 'you come and are' : `${name} comes and is`} watched now, it would not all be met within two years in more than half of the tries.`,
  'nothing asked': () => 'Nothing is asked yet.',
};

function Said({ f, today, gradingDay, name }: { f: Found; today: string; gradingDay: string | null; name: string }) {
  const decides = f.decides && (
    <>
      {capital(f.decides.name)} decides it
      {f.decides.share < 0.995 && ` in ${Math.round(f.decides.share * 10)} of 10 tries`}.{' '}
      {f.decides.habit &&
        `${capital(f.decides.habit)} is a habit of more than a year: such take far longer to undo than a thing new to learn, as a rule of thumb. `}
    </>
  );
  const aside = f.aside.length > 0 && (
    <p className="second">Left aside, since neither time nor work opens it: {f.aside.join(', ')}.</p>
  );
  if (f.silent !== null)
    return (
      <div className="line pt-1">
        <p>{SILENT[f.silent](name)}</p>
        {decides && <p className="second">{decides}</p>}
        {aside}
      </div>
    );
  return (
    <div className="line pt-1">
      <Time f={f} today={today} gradingDay={gradingDay} />
      <p>
        <b>{rangeInWords(f)}</b>{' '}
        {gradingDay && f.byGrading !== null && `By the grading ${chanceInWords(f.byGrading)}. `}
        {decides}
      </p>
      {f.changes.length > 0 && (
        <p>
          <b>What would change it:</b>{' '}
          {f.changes
            .map((c) => {
              const what =
                c.what === 'one more class a week' ? 'one more class a week' : `more looks at what decides it`;
              const then = c.median && f.median ? daysBetween(c.median, f.median) : 0;
              const grading =
                gradingDay && c.byGrading !== null ? `, by the grading ${chanceInWords(c.byGrading)}` : '';
              return then >= 4 ? `${what} brings it about ${weeks(then)} nearer${grading}` : `${what} changes little`;
            })
            .join('; ')}
          .
        </p>
      )}
      {aside}
      <p className="second">Tried out 500 times from the looks so far; a guide, not a promise.</p>
    </div>
  );
}

const rangeInWords = ({ from, median, to }: Found): string =>
  from === to
    ? `By ${dateInWords(from!)}.`
    : to === null
      ? `9 times in 10 after ${dateInWords(from!)}, half of the tries by ${dateInWords(median!)}; more than 1 in 10 take over two years.`
      : `8 times in 10 between ${dateInWords(from!)} and ${dateInWords(to)}.`;

const weeks = (days: number) => (days < 11 ? `${days} days` : `${Math.round(days / 7)} weeks`);

/** The weeks to scale: today, the grading, and the range hatched with its middle. */
function Time({ f, today, gradingDay }: { f: Found; today: string; gradingDay: string | null }) {
  const width = 344;
  // An open range is drawn as far again as its middle, and then goes on.
  const far = f.to === null ? 2 * daysBetween(today, f.median!) : daysBetween(today, f.to) + 14;
  const end = Math.max(42, far, gradingDay ? daysBetween(today, gradingDay) + 14 : 0);
  const x = (day: string) => 12 + (Math.max(0, daysBetween(today, day)) / end) * (width - 24);
  const months: string[] = [];
  for (const d = new Date(`${today.slice(0, 7)}-01T00:00:00Z`); ; d.setUTCMonth(d.getUTCMonth() + 1)) {
    const day = d.toISOString().slice(0, 10);
    if (daysBetween(today, day) > end) break;
    if (day > today) months.push(day);
  }
  const every = Math.max(1, Math.ceil(months.length / 6));
  const from = x(f.from!);
  const to = f.to === null ? width : Math.max(from + 4, x(f.to));
  return (
    <svg width={width} height="82" viewBox={`0 0 ${width} 82`} aria-hidden="true" className="fits">
      <path d={`M12 52H${width - 12}`} stroke="var(--ink2)" />
      <path d="M12 42V58" stroke="var(--ink)" strokeWidth="1.6" />
      <text x="2" y="28" fontSize="14" fill="var(--ink)">
        today
      </text>
      {months.map((m, i) => (
        <g key={m}>
          <path d={`M${x(m)} 52v7`} stroke="var(--ink2)" />
          {i % every === 0 && (
            <text x={x(m)} y="74" fontSize="13" textAnchor="middle" fill="var(--ink2)">
              {new Date(`${m}T12:00:00Z`).toLocaleDateString(undefined, { month: 'short' })}
            </text>
          )}
        </g>
      ))}
      {gradingDay && (
        <g>
          <path d={`M${x(gradingDay)} 15V58`} stroke="var(--ink)" strokeDasharray="4 3" strokeWidth="1.4" />
          <text x={Math.max(2, Math.min(x(gradingDay) - 20, width - 60))} y="12" fontSize="14" fill="var(--ink)">
            grading
          </text>
        </g>
      )}
      <path
        d={`M${to} 32H${from}V50H${to}${f.to === null ? '' : 'Z'}`}
        fill="none"
        stroke="var(--pine)"
        strokeWidth="1.4"
      />
      {Array.from({ length: Math.floor((to - from) / 6) }, (_, i) => (
        <path
          key={i}
          d={`M${from + i * 6 + 1} 49L${Math.min(to, from + i * 6 + 15)} 33`}
          stroke="var(--pine)"
          strokeWidth="1.6"
        />
      ))}
      {f.median && <path d={`M${x(f.median)} 30V52`} stroke="var(--ink)" strokeWidth="2.4" />}
    </svg>
  );
}
