import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import type { CommandDraft, CommandName } from '../../../contracts/commands';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { Belt } from '../../../kit/marks/Belt';
import { Stick } from '../../../kit/marks/Stick';
import { ask, send } from '../../../kit/send';
import { firstName } from '../../../kit/words';
import { StrikeSheet, type Thing } from '../../../kit/strike/Strike';
import '../student.css';
import { Adapt } from './Adapt';
import { ChangeStudent } from './ChangeStudent';
import { Felt } from './Felt';
import { Forecast } from './Forecast';
import { Adapted, Belts, Faded, Gates } from './Held';
import { Certificates } from './Certificates';
import { Graded, Invited } from './Invited';
import { Looks } from './Looks';
import { Mend, type LookShown } from './Mend';
import { Missed } from './Missed';
import { ChooseFocus, OneThing } from './OneThing';
import { OnTheDay } from './OnTheDay';
import { Outcome } from './Outcome';
import { Partners, SayPartners } from './Partners';
import { Pause, Pauses } from './Pauses';
import { AgreePictures, Pictures } from './Pictures';
import { PracticeLog, Practise } from './Practice';
import { Promote } from './Promote';
import { Need, Working } from './Requirement';
import { Room } from './Room';
import { Consent, Injury, Safety } from './Safety';

const GROUPS: readonly { name: string; kinds: readonly string[] }[] = [
  { name: 'Stances and steps', kinds: ['stance', 'step', 'turn'] },
  { name: 'Hands', kinds: ['strike', 'block', 'hand shape', 'grip', 'evasion'] },
  { name: 'Kicks', kinds: ['kick'] },
  { name: 'Falls', kinds: ['fall'] },
  { name: 'Weapons', kinds: ['weapon cut'] },
  { name: 'Forms and combinations', kinds: ['form', 'combination'] },
  { name: 'Equipment and partners', kinds: ['equipment set', 'partner drill'] },
];
const SHEETS = {
  promote: Promote,
  change: ChangeStudent,
  adapt: Adapt,
  focus: ChooseFocus,
  pause: Pause,
  practice: Practise,
  room: Room,
  outcome: Outcome,
  consent: Consent,
  pictures: AgreePictures,
  partners: SayPartners,
};
type Open =
  | { what: 'requirement'; id: string }
  | { what: keyof typeof SHEETS }
  | { what: 'injury'; value: StudentView['injuries'][number] | null }
  | { what: 'strike'; thing: Thing }
  | { what: 'mend'; look: LookShown }
  | null;

/** "What does … need for … belt?": the answer in one sentence, then every requirement with its reason, and the gates. */
export default function Student({ view: first }: { view: StudentView }) {
  const [view, setView] = useState(first);
  const [open, setOpen] = useState<Open>(null);
  const [wrong, setWrong] = useState('');
  const [followed, setFollowed] = useState('');
  // What was read beside the page is read again after something was written.
  const [round, setRound] = useState(0);
  const aside = useRef<HTMLElement>(null);
  // What is opened from far below stands at the top of its column: it comes into sight.
  useEffect(() => {
    if (open) aside.current?.scrollIntoView({ block: 'start' });
  }, [open]);
  const { student: s, next, may, reader } = view;
  const mine = reader === 'student';
  const given = firstName(s.name);
  const chosen = open?.what === 'requirement' ? view.requirements.find((r) => r.id === open.id) : undefined;
  const asks = next !== null && view.requirements.length > 0;
  const renew = async () => {
    const fresh = await ask('student', { id: s.id });
    setOpen(null);
    setWrong(fresh.ok ? '' : `It is saved, but the page could not be read again. ${fresh.title}`);
    if (!fresh.ok) return;
    setFollowed(whatFollowed(view, fresh.view));
    setView(fresh.view);
    setRound(round + 1);
  };
  const strike = (thing: Thing) => setOpen({ what: 'strike', thing });
  const sheet = {
    view,
    done: renew,
    leave: () => setOpen(null),
    onLeft: (left: boolean) => void press('student.leave', { id: s.id, left }),
  };
  const Sheet = open !== null && open.what in SHEETS ? SHEETS[open.what as keyof typeof SHEETS] : undefined;
  /** One press, no sheet: what goes wrong is said above the page. */
  const press = async <N extends CommandName>(name: N, input: CommandDraft<N>) => {
    const answer = await send(name, input);
    if (answer.ok) await renew();
    else setWrong(answer.title);
  };
  const age = s.age === null ? 'date of birth unknown' : s.age < 100 ? `${s.age} years old` : '';
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>
            {next ? `What ${mine ? 'do you' : `does ${given}`} need for ${next.name} belt?` : s.name}
            <span className="row">
              <Belt name={s.rank.name} cloth={s.rank.cloth} width={76} height={20} />
              {next && <Belt name={next.name} cloth={next.cloth} width={76} height={20} />}
            </span>
          </h1>
          <p className="sub">
            {s.name}, {age}. {s.rank.name} since {dateInWords(s.since)}.
            {s.leftOn && <b> Left on {dateInWords(s.leftOn)}.</b>}
          </p>
        </div>
        <div className="actions">
          <Button onClick={() => print()}>Print {mine ? 'my' : 'the'} sheet</Button>
          <a className="button" href={`/students/${s.id}/home`}>
            Home sheet
          </a>
          {may.look && !s.leftOn && (
            <a className="button go" href={`/look?student=${s.id}`}>
              Look at {given}
            </a>
          )}
        </div>
      </div>
      {wrong !== '' && (
        <p role="alert" className="message wrong">
          {wrong}
        </p>
      )}
      {followed !== '' && (
        <p role="status" className="message no-print">
          <b>What follows:</b> {followed}
        </p>
      )}
      <div className="columns">
        <div>
          <p className="answer">{view.answer}</p>
          {next && view.follows && !view.follows.newest && (
            <p className="second under">Asked by “{view.follows.title}”, in force when the present belt was given.</p>
          )}
          {next && !view.follows && may.decide && (
            <p className="message">
              No syllabus is in force yet. <a href="/syllabus">Publish the draft</a>, and every student’s page will
              answer.
            </p>
          )}
          {next && view.follows && view.requirements.length === 0 && view.gates.length === 0 && may.decide && (
            <p className="message">
              <a href={`/syllabus?rank=${next.id}`}>Say what {next.name} asks</a>, and every student’s page will answer.
            </p>
          )}
          {GROUPS.map((g) => {
            const rows = view.requirements.filter((r) => g.kinds.includes(r.kind));
            if (rows.length === 0) return null;
            return (
              <section key={g.name}>
                <h2>{g.name}</h2>
                <ul className="needs">
                  {rows.map((r) => (
                    <li key={r.id} className={r.id === chosen?.id ? 'lit' : ''}>
                      <Need
                        r={r}
                        open={r.id === chosen?.id}
                        toggle={() => setOpen(r.id === chosen?.id ? null : { what: 'requirement', id: r.id })}
                      />
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
          {view.requirements.length > 0 && <Legend />}
          <Faded view={view} />
          <Missed view={view} />
          <PracticeLog
            view={view}
            onAdd={may.log ? () => setOpen({ what: 'practice' }) : null}
            onStrike={may.log || may.decide ? strike : null}
          />
          <Looks key={round} view={view} onMend={(look) => setOpen({ what: 'mend', look })} />
        </div>
        <aside className="stack gap-5" ref={aside}>
          {chosen && <Working r={chosen} view={view} done={renew} leave={sheet.leave} />}
          {Sheet && <Sheet key={open?.what} {...sheet} />}
          {open?.what === 'injury' && <Injury key={open.value?.id ?? 'new'} {...sheet} value={open.value} />}
          {open?.what === 'strike' && (
            <StrikeSheet key={open.thing.id} {...sheet} studentId={s.id} seesAhead={may.look} thing={open.thing} />
          )}
          {open?.what === 'mend' && <Mend key={open.look.id} {...sheet} look={open.look} />}
          <Invited
            view={view}
            onSay={may.log ? (gradingId, yes) => void press('grading.say', { gradingId, studentId: s.id, yes }) : null}
          />
          <Graded view={view} />
          <Certificates
            view={view}
            onGive={may.decide ? (heldId) => void press('certificate.give', { heldId }) : null}
            done={renew}
          />
          {asks && <OneThing view={view} onChoose={may.look ? () => setOpen({ what: 'focus' }) : null} />}
          {may.log && <Felt view={view} done={renew} />}
          <Gates view={view} />
          {asks && (
            <Forecast studentId={s.id} today={view.today} gradingDay={view.gradingDay} name={mine ? 'you' : given} />
          )}
          <OnTheDay view={view} />
          <Pauses
            view={view}
            onPause={may.look && view.requirements.length > 0 ? () => setOpen({ what: 'pause' }) : null}
            onEnd={may.look ? (id) => void press('pause.end', { id, until: view.today }) : null}
          />
          <Safety
            view={view}
            onConsent={view.consentSaid ? () => setOpen({ what: 'consent' }) : null}
            onInjury={may.look ? (value) => setOpen({ what: 'injury', value }) : null}
            onStrike={may.decide ? strike : null}
          />
          <Pictures view={view} onAgree={view.picturesSaid ? () => setOpen({ what: 'pictures' }) : null} />
          <Partners
            view={view}
            onSay={may.look && view.classmates.length > 0 ? () => setOpen({ what: 'partners' }) : null}
            onEnd={may.look ? (id) => void press('partners.end', { id }) : null}
          />
          <Belts
            view={view}
            onDecision={() => setOpen({ what: 'outcome' })}
            onPromote={() => setOpen({ what: 'promote' })}
            onStrike={may.decide ? strike : null}
          />
          <Adapted view={view} onAdapt={() => setOpen({ what: 'adapt' })} onStrike={may.decide ? strike : null} />
          {(may.decide || may.log) && (
            <div className="row no-print">
              {may.decide && <Button onClick={() => setOpen({ what: 'change' })}>Name, birth, leaving</Button>}
              <Button onClick={() => setOpen({ what: 'room' })}>Room at home</Button>
            </div>
          )}
        </aside>
      </div>
    </IslandRoot>
  );
}

/** What is other than before, in words: the belt, and each verdict; empty where nothing is. */
function whatFollowed(was: StudentView, now: StudentView): string {
  const before = new Map(was.requirements.map((r) => [r.id, r.word]));
  const belt = was.student.rank.id === now.student.rank.id ? [] : [`${now.student.rank.name} is worn`];
  const words = now.requirements.flatMap((r) => {
    const word = before.get(r.id);
    return word === undefined || word === r.word ? [] : [`${r.name} was ${word} and is ${r.word}`];
  });
  const all = [...belt, ...words];
  return all.length === 0 ? '' : `${all.join('; ')}.`;
}

const Legend = () => (
  <p className="legend">
    <span>Newest at the right.</span>
    <span>
      <Stick marks={['H']} side="none" width={22} /> held
    </span>
    <span>
      <Stick marks={['S']} side="none" width={22} /> slipped
    </span>
    <span>
      <Stick marks={['U']} side="none" width={22} /> not seen
    </span>
    <span>
      <Stick marks={['H', 'H']} side="left" width={34} /> left is outlined
    </span>
    <span>
      <Stick marks={['H', 'H']} side="right" width={34} /> right is solid
    </span>
    <span>
      <Stick marks={['H', 'H']} side="none" width={34} shown={1} /> shown here
    </span>
    <span>
      <Stick marks={['H', 'S']} side="none" width={34} lost={1} /> lost here
    </span>
  </p>
);
