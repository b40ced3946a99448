import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LoadView } from '../../../contracts/views';
import {
  capital,
  countOf,
  dayInWords,
  LADDER_WORK,
  LADDERS,
  limbInWords,
  loadWhyInWords,
  mayStrikeInWords,
  nextLoadInWords,
  singleFrom,
  snaps,
  stopEndInWords,
  stopInWords,
  weekdayInWords,
  type Ladder,
} from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Splinter } from '../../../kit/marks/small';
import { ask, newId, send } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { firstName } from '../../../kit/words';
import { StrikeSheet, StrikeWord, type OnStrike, type Thing } from '../../../kit/strike/Strike';
import './Load.css';
import { LoadChart } from './LoadChart';
import { askedDay, limbsOf, type Limb } from './limbs';
import { SayHands } from './SayHands';
import { Stair } from './Stair';

type Open = 'say' | { strike: Thing } | { lift: Limb; what: 'lifted' | 'single' } | null;

/** How many strikes next, for each limb, and why; what stops them, and what was said. */
export default function LoadPage({ view: first }: { view: LoadView }) {
  const [view, setView] = useState(first);
  const [ladder, setLadder] = useState<Ladder>(
    LADDERS.find((l) => first.entries.some((e) => e.ladder === l)) ?? 'hand',
  );
  const [open, setOpen] = useState<Open>(null);
  const [wrong, setWrong] = useState('');
  const day = askedDay(view, ladder);
  const limbs = limbsOf(view, ladder, day);
  const began =
    limbs
      .map((l) => l.walk.state.began)
      .filter((d) => d !== null)
      .sort()[0] ?? null;
  const name = firstName(view.student.name);
  const renew = async () => {
    const fresh = await ask('load', { id: view.student.id });
    setOpen(null);
    if (fresh.ok) setView(fresh.view);
    setWrong(fresh.ok ? '' : `It is saved, but the page could not be read again. ${fresh.title}`);
  };
  const { rule, today, may } = view;
  const when = day === today ? 'today' : weekdayInWords(day);
  const mine = view.reader === 'student';
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            How many {LADDER_WORK[ladder]} {when === 'today' ? 'today' : `on ${when}`}?
          </h1>
          <p className="sub">
            {view.student.name}
            {view.student.age === null ? ', age not known' : `, ${view.student.age}`}
            {began ? `, on it since ${dayInWords(began, today)}` : ''}. Hall and home counted together.
          </p>
        </div>
        <div className="actions no-print">
          <Button onClick={() => print()}>Print for home</Button>
          <Button variant="contained" onClick={() => setOpen('say')}>
            Say what the hands say
          </Button>
        </div>
      </div>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="no-print">
        <Switch
          label="Which ladder"
          value={ladder}
          options={LADDERS.map((l) => ({ value: l, word: LADDER_WORK[l] }))}
          onChange={(l) => {
            setLadder(l);
            setOpen(null);
          }}
        />
      </div>
      <p className="load-lead">
        {may.may
          ? nextLoadInWords(
              limbs.map((l) => l.next),
              today,
            )
          : mayStrikeInWords(may, rule, today)}
      </p>
      <div className="load">
        <div>
          <div className="scrolls">
            <LoadChart limbs={limbs} rule={rule} today={today} snaps={snaps(ladder)} />
          </div>
          <div className="load-low">
            <section>
              <h2>How it grows</h2>
              <Stair rule={rule} ladder={ladder} limbs={limbs.map((l) => l.walk.state)} />
              <p className="second">{ruleInWords(view, ladder)}</p>
            </section>
            <section>
              <h2>What they say, and what follows</h2>
              <table className="follows">
                <tbody>
                  {(
                    [
                      ['sore', 'same number', 'a day without', false],
                      ['skin red', 'half', 'fine again', false],
                      ['swollen', 'none', `gone ${countOf(rule.swellingDays, 'day')}, then half`, true],
                      ['skin open', 'none', `${countOf(rule.openDays, 'day')}, closed, then from the beginning`, true],
                      ['pain, numb', 'none', 'the head lifts it; ask a doctor', true],
                    ] as const
                  ).map(([word, number, until, hurts]) => (
                    <tr key={word}>
                      <th scope="row">
                        {hurts && <Splinter />}
                        {word}
                      </th>
                      <td>{number}</td>
                      <td className="second">{until}</td>
                    </tr>
                  ))}
                </tbody>
              </table>
              <p className="second">It trains hip, effort and focus, never the skin.</p>
            </section>
          </div>
          <Entries
            view={view}
            ladder={ladder}
            onStrike={view.can.strike ? (thing) => setOpen({ strike: thing }) : null}
          />
        </div>
        <aside className="stack gap-5">
          {open === 'say' && (
            <SayHands
              key={ladder}
              view={view}
              ladder={ladder}
              limbs={limbs}
              may={may.may}
              done={renew}
              leave={() => setOpen(null)}
            />
          )}
          {open !== null && open !== 'say' && 'strike' in open && (
            <StrikeSheet
              key={open.strike.id}
              studentId={view.student.id}
              thing={open.strike}
              seesAhead={view.reader === 'teacher'}
              done={renew}
              leave={() => setOpen(null)}
            />
          )}
          {open !== null && open !== 'say' && 'lift' in open && (
            <Lift view={view} ladder={ladder} {...open} done={renew} leave={() => setOpen(null)} />
          )}
          {may.may ? (
            <section className="next-card">
              <h2>
                {weekdayInWords(day)} {dayInWords(day, today)}
              </h2>
              {limbs.map((l) => (
                <NextOf
                  key={l.side}
                  limb={l}
                  ladder={ladder}
                  view={view}
                  onLift={view.can.lift ? (what) => setOpen({ lift: l, what }) : null}
                />
              ))}
              <p className="second">
                On: {limbs[0]!.next.surface}. The front foot a little in, heel down; the hips start it and take it back.
                Stop at pain.
              </p>
            </section>
          ) : (
            <section className="next-card">
              <h2>Soft targets only</h2>
              <p>{mayStrikeInWords(may, rule, today)}</p>
              <p className="second">
                Pads, shields and the air are free. What {mine ? 'your' : `${name}’s`} hands say is written down all the
                same.
              </p>
            </section>
          )}
          {view.minor && <Agreed view={view} done={renew} />}
          <section className="no-print">
            <p className="second">
              Numbers are the school’s, as people usually teach it. A doctor’s word, local rules and your insurer come
              first. Who has a wound, a swelling, pain or numbness stops at once.
            </p>
            <a href={mine || view.reader === 'guardian' ? `/students/${view.student.id}` : '/equipment/strikes'}>
              {mine || view.reader === 'guardian' ? 'Back to the page' : 'Everybody who strikes'}
            </a>
          </section>
        </aside>
      </div>
    </IslandRoot>
  );
}

function ruleInWords({ rule }: LoadView, ladder: Ladder): string {
  const s = rule.ladders[ladder][0]!;
  const snap = snaps(ladder)
    ? `, from ${rule.snapFrom} on after ${countOf(Math.max(s.fineDays, rule.fineDaysFromSnap), 'day')}; the snap back after ${countOf(rule.snapAfter, 'day')} there`
    : '';
  return `${capital(countOf(s.step, 'more', 'more'))} after ${countOf(s.fineDays, 'day')} without a word${snap}. ${countOf(rule.perWeek, 'day')} in any seven at most. The school’s rule, changed by a head instructor only.`;
}

/** One limb’s number as a notched lath, with its reason. */
function NextOf({
  limb: { next, side, walk },
  ladder,
  view,
  onLift,
}: {
  limb: Limb;
  ladder: Ladder;
  view: LoadView;
  onLift: ((what: 'lifted' | 'single') => void) | null;
}) {
  const { rule, today } = view;
  const unsaid = walk.days.at(-1)?.asked === false ? ' Of the last time nothing was said: that counts as fine.' : '';
  const heavy = singleFrom(walk, rule);
  const allowed = view.singles.some((s) => s.ladder === ladder && (s.side === side || s.side === 'none'));
  return (
    <div className="next-of">
      <p>
        <b className="num">{next.number}</b> {side === 'none' ? LADDER_WORK[ladder] : side}
        {next.snap && next.number > 0 && <span className="second"> with the snap back</span>}
      </p>
      <svg width="100%" height="30" viewBox="0 0 250 30" preserveAspectRatio="none" aria-hidden="true">
        {next.number > 0 ? (
          <path
            d={lathPath(Math.min(next.number, 80))}
            fill={side === 'left' ? 'var(--sheet)' : 'var(--wood)'}
            stroke="var(--wood-line)"
            strokeWidth="1.3"
          />
        ) : (
          [6, 13, 20, 26].map((y) => (
            <g key={y}>
              <path d={`M0 ${y}L100 ${y - 2}`} stroke="var(--wood-line)" strokeWidth="5.4" />
              <path d={`M0 ${y}L100 ${y - 2}`} stroke="var(--cloth)" strokeWidth="3.6" />
            </g>
          ))
        )}
      </svg>
      {next.stop ? (
        <>
          <p className="second">
            <b>Stopped:</b> {stopInWords(next.stop, ladder, side)}, {dayInWords(next.stop.since, today)}.{' '}
            {stopEndInWords(next.stop, next.then, rule, today)}
          </p>
          {onLift && (
            <Button className="no-print" onClick={() => onLift('lifted')}>
              Lift it for the {limbInWords(ladder, side)}
            </Button>
          )}
        </>
      ) : (
        <p className="second">
          <b>Why:</b>{' '}
          {next.weekUntil === null
            ? `${loadWhyInWords(next.why)}${unsaid}`
            : `${capital(countOf(rule.perWeek, 'day'))} of the last seven were worked on: on with ${next.then} from ${dayInWords(next.weekUntil, today)}.`}
        </p>
      )}
      {snaps(ladder) && !next.stop && (
        <p className="second">
          {allowed
            ? 'Single heavy blows: the head instructor has said yes.'
            : heavy && heavy <= today
              ? 'Single heavy blows: long enough on it, if the head instructor says so.'
              : `Single heavy blows: not yet${heavy ? `, ${dayInWords(heavy, today)} at the earliest, and only if the head instructor says so` : ''}.`}{' '}
          {!allowed && heavy && heavy <= today && onLift && (
            <Button variant="text" className="no-print" onClick={() => onLift('single')}>
              Allow them
            </Button>
          )}
        </p>
      )}
    </div>
  );
}

function lathPath(n: number): string {
  const u = 250 / 82;
  const notches = Array.from({ length: Math.floor((n - 1) / 10) }, (_, i) => (i + 1) * 10 * u)
    .map((x) => `L${Math.round(x - 7)} 1L${Math.round(x)} 18L${Math.round(x + 7)} 1`)
    .join('');
  return `M1 29V1${notches}L${Math.round(Math.max(8, n * u))} 1V29Z`;
}

/** The head’s word, with its reason. */
function Lift({
  view,
  ladder,
  lift,
  what,
  done,
  leave,
}: {
  view: LoadView;
  ladder: Ladder;
  lift: Limb;
  what: 'lifted' | 'single';
  done: () => Promise<void>;
  leave: () => void;
}) {
  const [reason, setReason] = useState('');
  const [wrong, setWrong] = useState('');
  const limb = limbInWords(ladder, lift.side);
  const write = async () => {
    const answer = await send('load.allow', {
      id: newId(),
      studentId: view.student.id,
      ladder,
      side: lift.side,
      what,
      reason,
    });
    if (answer.ok) await done();
    else setWrong(answer.errors[0]?.message ?? answer.title);
  };
  return (
    <section className="sheet stack" aria-label="The head’s word">
      <h2>{what === 'lifted' ? `Lift the stop of the ${limb}?` : `Allow single heavy blows, ${limb}?`}</h2>
      <TextField label="Because" value={reason} multiline minRows={2} onChange={(e) => setReason(e.target.value)} />
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <p className="second">It is kept with your name. After pain or numbness a doctor has looked at it first.</p>
      <div className="row wrap">
        <Button variant="contained" onClick={() => void write()}>
          {what === 'lifted' ? 'Lift it' : 'Allow them'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}

/** The guardian’s word: by themselves, or by the head for what was said on paper. */
function Agreed({ view, done }: { view: LoadView; done: () => Promise<void> }) {
  const [guardian, setGuardian] = useState('');
  const [wrong, setWrong] = useState('');
  const { agreed, can, today } = view;
  const say = async (yes: boolean) => {
    const answer = await send('load.agree', { id: newId(), studentId: view.student.id, agreed: yes, guardian });
    if (answer.ok) await done();
    else setWrong(answer.errors[0]?.message ?? answer.title);
  };
  return (
    <section className="stack">
      <h2>The guardian’s word</h2>
      <p>
        {agreed
          ? `${agreed.guardian} said ${agreed.agreed ? 'yes' : 'no'} on ${dayInWords(agreed.day, today)}.`
          : 'Nobody was asked yet.'}
      </p>
      {can.agree && (
        <>
          {view.reader === 'teacher' && (
            <TextField label="Who said so" value={guardian} onChange={(e) => setGuardian(e.target.value)} />
          )}
          <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
          <div className="row wrap no-print">
            <Button onClick={() => void say(true)}>Yes, they may</Button>
            <Button onClick={() => void say(false)}>No</Button>
          </div>
        </>
      )}
    </section>
  );
}

/** The newest entries, in words: what the chart shows, for everybody. */
function Entries({ view, ladder, onStrike }: { view: LoadView; ladder: Ladder; onStrike: OnStrike }) {
  const list = view.entries
    .filter((e) => e.ladder === ladder)
    .slice(-12)
    .reverse();
  if (list.length === 0) return null;
  return (
    <details className="no-print">
      <summary>The last entries in words</summary>
      <ul>
        {list.map((e) => (
          <li key={e.id} className="line py-1">
            {dayInWords(e.day, view.today)}, {e.place === 'hall' ? 'at the hall' : 'at home'}: {e.count} {e.blow}
            {e.side === 'none' ? '' : `, ${e.side}`}
            <span className="second">
              {' '}
              {e.said
                ? `skin ${e.said.skin}, swelling ${e.said.swelling}, joints ${e.said.joints}, feeling ${e.said.feeling}`
                : 'nothing was said'}
              . {e.by}
            </span>{' '}
            <StrikeWord
              onStrike={onStrike}
              thing={{
                kind: e.logged ? 'practice' : 'load',
                id: e.id,
                says: `${e.count} ${e.blow}, ${dayInWords(e.day, view.today)}`,
              }}
            />
          </li>
        ))}
      </ul>
    </details>
  );
}
