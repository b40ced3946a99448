import Button from '@mui/material/Button';
import { useEffect, useState, type MouseEvent, type ReactNode } from 'react';
import { FIRST_STEPS, type FirstStep, type FirstStepsView } from '../../contracts/views/firstSteps';
import { countOf, dateInWords, GLOSSARY, type GlossaryWord } from '../../core';
import { IslandRoot } from '../IslandRoot';
import { Belt } from '../marks/Belt';
import { Lozenge } from '../marks/Lozenge';
import { FootMark, Lashing } from '../marks/small';
import { Stick } from '../marks/Stick';
import './FirstSteps.css';

interface Step {
  name: string;
  gives: string;
  says: string;
  words: readonly GlossaryWord[];
  go: string;
  href: (v: FirstStepsView) => string;
}

const STEPS: Record<FirstStep, Step> = {
  stance: {
    name: 'Stance',
    gives: 'where all else stands',
    says: 'Write one stance: everything else stands in it.',
    words: ['technique', 'point'],
    go: 'Write a stance',
    href: () => '/techniques/new',
  },
  technique: {
    name: 'Technique',
    gives: 'what to look at',
    says: 'Write one technique with three points. A card for the mat comes out.',
    words: ['held', 'critical', 'slip'],
    go: 'Write a technique',
    href: () => '/techniques/new',
  },
  way: {
    name: 'On the way',
    gives: 'a belt asks for it',
    says: 'Put it on the way: say at which belt it is introduced, and at which it is tested.',
    words: ['way', 'requirement', 'standard'],
    go: 'Go to the syllabus',
    href: () => '/syllabus',
  },
  publish: {
    name: 'Publish',
    gives: 'the belts hold still',
    says: 'Publish the draft with a day: from then on everybody is judged by it.',
    words: ['version', 'gate'],
    go: 'Go to the syllabus',
    href: () => '/syllabus',
  },
  roll: {
    name: 'Roll',
    gives: 'who is who',
    says: 'Write down who trains here, one by one or from a list.',
    words: ['roll', 'rung'],
    go: 'Go to the roll',
    href: () => '/students',
  },
  class: {
    name: 'Class',
    gives: 'who is here',
    says: 'At the mat, tap who is here and note the class. Hours are counted from it.',
    words: ['line'],
    go: 'Go to the mat',
    href: () => '/look',
  },
  look: {
    name: 'Look',
    gives: 'held or slipped',
    says: 'Look at somebody: one point along the line, or all points of one person.',
    words: ['look', 'sweep', 'card'],
    go: 'Go to the mat',
    href: () => '/look',
  },
  verdict: {
    name: 'Verdict',
    gives: 'ready or not, and why',
    says: 'Read what it adds up to: each line says why, and what would change it.',
    words: ['verdict', 'oneThing'],
    go: 'Open the page',
    href: (v) => (v.student ? `/students/${v.student.id}` : '/students'),
  },
};
const AWAY = 'stavewright-first-steps-away';

/** What leads from an empty school to the first verdict: one step open at a time, above the page that is worked on. */
export default function FirstSteps({ view, always = false }: { view: FirstStepsView; always?: boolean }) {
  const undone = FIRST_STEPS.filter((s) => !view.done[s]);
  const [at, setAt] = useState<FirstStep>(undone[0] ?? 'verdict');
  const [away, setAway] = useState(false);
  useEffect(() => {
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what this device was told before
    if (!always && localStorage.getItem(AWAY) !== null) setAway(true);
  }, [always]);
  const put = (on: boolean) => {
    setAway(on);
    if (on) localStorage.setItem(AWAY, 'yes');
    else localStorage.removeItem(AWAY);
  };
  const done = FIRST_STEPS.length - undone.length;
  if (away)
    return (
      <IslandRoot>
        <p className="first-steps folded no-print">
          <b>To the first verdict:</b> {done} of {FIRST_STEPS.length} done.{' '}
          {undone[0] && `Next: ${STEPS[undone[0]].name}. `}
          <Button variant="text" onClick={() => put(false)}>
            Show the steps
          </Button>
        </p>
      </IslandRoot>
    );
  const step = STEPS[at];
  const later = undone.filter((s) => s !== at);
  return (
    <IslandRoot>
      <section className="first-steps sheet no-print" aria-label="To the first verdict">
        <div className="spread">
          <h2>To the first verdict</h2>
          {always ? (
            <span />
          ) : (
            <Button variant="text" onClick={() => put(true)}>
              Put away
            </Button>
          )}
        </div>
        <ol>
          {FIRST_STEPS.map((s) => {
            const made = view.done[s];
            return (
              <li
                key={s}
                className={made ? 'done' : s === at ? 'now' : ''}
                aria-current={s === at ? 'step' : undefined}
              >
                <span className="wood" aria-hidden="true">
                  {made ? <Notch /> : s === at ? <Lashing width={26} height={22} /> : null}
                </span>
                <button type="button" onClick={() => setAt(s)}>
                  {STEPS[s].name}
                </button>
                <small>{made ? doneAs(s, made, view) : STEPS[s].gives}</small>
              </li>
            );
          })}
        </ol>
        <div className="open">
          <div>
            <h3>{step.says}</h3>
            <dl>
              {step.words.map((w) => (
                <div key={w}>
                  <dt>{GLOSSARY[w].word}</dt>
                  <dd>{GLOSSARY[w].means}</dd>
                </div>
              ))}
            </dl>
            <p className="row">
              <a href={step.href(view)} onClick={toTheField}>
                {step.go}
              </a>
              {later[0] && at !== 'verdict' && (
                <Button variant="text" onClick={() => setAt(later.find((s) => order(s) > order(at)) ?? later[0]!)}>
                  Not now, the next one
                </Button>
              )}
            </p>
          </div>
          <figure aria-label="What comes out">
            <Outcome of={at} view={view} />
          </figure>
        </div>
      </section>
    </IslandRoot>
  );
}

/** Where the step's page is open already, its first empty field takes the cursor. */
function toTheField(e: MouseEvent<HTMLAnchorElement>): void {
  if (new URL(e.currentTarget.href).pathname !== location.pathname) return;
  const fields = document.querySelectorAll<HTMLInputElement>('#work input[type="text"], #work textarea');
  const empty = [...fields].find((f) => f.value === '' && !f.closest('.first-steps'));
  if (!empty) return;
  e.preventDefault();
  empty.focus();
}

const order = (s: FirstStep) => FIRST_STEPS.indexOf(s);

/** What was done, and when: the hour of today, or the day. */
function doneAs(s: FirstStep, { what, at }: { what: string; at: string | null }, v: FirstStepsView): string {
  const words = s === 'roll' || s === 'class' ? `${countOf(Number(what), 'student')}` : what;
  if (at === null) return words;
  const day = new Intl.DateTimeFormat('en-CA', { timeZone: v.timeZone }).format(new Date(at));
  const when =
    day === v.today
      ? new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: v.timeZone })
      : dateInWords(day);
  return `${words}, ${when}`;
}

const Notch = () => (
  <svg width="16" height="12" viewBox="0 0 16 12">
    <path d="M1 0L8 9L15 0" fill="var(--sheet)" stroke="var(--wood-line)" />
  </svg>
);

/** What the step gives, drawn: from what was written, as soon as there is some. */
function Outcome({ of, view }: { of: FirstStep; view: FirstStepsView }): ReactNode {
  const points = view.points.length > 0 ? view.points : ['Knee over the toes', 'Ball of the foot', 'Heel down'];
  const [from, to] = view.belts;
  switch (of) {
    case 'stance':
      return (
        <span className="feet">
          <FootMark side="left" height={64} />
          <FootMark side="right" height={64} />
        </span>
      );
    case 'technique':
    case 'look':
      return (
        <ul className="card">
          {points.map((p, i) => (
            <li key={p}>
              <span>{points.length - i}</span>
              <b>{p}</b>
              {of === 'look' ? (
                <Stick
                  marks={i === 1 ? ['H', 'H', 'S', 'H', 'H'] : ['H', 'H', 'H', 'H', 'H']}
                  side="right"
                  width={96}
                />
              ) : (
                <Stick marks={['U', 'U', 'U', 'U', 'U']} side="right" width={96} />
              )}
            </li>
          ))}
        </ul>
      );
    case 'way':
    case 'publish':
      return (
        <span className="belts">
          {from && <Belt name={from.name} cloth={from.cloth} width={90} height={22} />}
          {to && <Belt name={to.name} cloth={to.cloth} width={90} height={22} />}
          <Lashing width={40} />
        </span>
      );
    case 'roll':
    case 'class':
      return (
        <ul className="names">
          {(view.student ? [view.student.name] : ['Somebody', 'Somebody else']).map((n) => (
            <li key={n}>
              {from && <Belt name={from.name} cloth={from.cloth} width={44} height={13} />} {n}
              {of === 'class' && <small>here</small>}
            </li>
          ))}
        </ul>
      );
    case 'verdict':
      return (
        <span className="belts">
          <Lozenge word="close" size={2} /> <b>close</b>
        </span>
      );
  }
}
