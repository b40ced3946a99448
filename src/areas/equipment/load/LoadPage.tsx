import Button from '@mui/material/Button';
import { useState } from 'react';
import type { LoadView } from '../../../contracts/views';
import {
  capital,
  countOf,
  dayInWords,
  LADDER_WORK,
  LADDERS,
  mayStrikeInWords,
  nextLoadInWords,
  snaps,
  weekdayInWords,
  type Ladder,
} from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Splinter } from '../../../kit/marks/small';
import { ask } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { firstName } from '../../../kit/words';
import { StrikeSheet, StrikeWord, type OnStrike, type Thing } from '../../../kit/strike/Strike';
import './Load.css';
import { LoadChart } from './LoadChart';
import { askedDay, limbsOf, type Limb } from './limbs';
import { Agreed, Lift } from './Said';
import { NextOf } from './NextOf';
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
