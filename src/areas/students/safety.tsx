import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import type { StudentView } from '../../contracts/views';
import { OF_AGE, RUNGS, type Rung } from '../../core';
import { newId } from '../../kit/send';
import { dateInWords } from '../../kit/words';
import { useDecision, type Sheet } from './decisions';

/** Consent to contact, or its refusal, which needs no reason. A minor's guardian agrees too. */
export function Consent({ view, done, leave }: Sheet) {
  const [rung, setRung] = useState<Rung | ''>(view.consent?.rung ?? '');
  const [guardian, setGuardian] = useState('');
  const { decide, at, message } = useDecision(done);
  const minor = view.student.age === null || view.student.age < OF_AGE;
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="Consent to contact"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('consent.record', {
          id: newId(),
          studentId: view.student.id,
          rung: rung || null,
          day: view.today,
          guardian: rung ? guardian : '',
        });
      }}
    >
      <h2>Consent to contact</h2>
      <TextField
        id="consent-rung"
        label="Agrees to, at most"
        select
        value={rung}
        onChange={(e) => setRung(e.target.value as Rung | '')}
        {...at('rung')}
      >
        <MenuItem value="">no contact</MenuItem>
        {RUNGS.map((r) => (
          <MenuItem key={r} value={r}>
            {r}
          </MenuItem>
        ))}
      </TextField>
      {minor && rung !== '' && (
        <TextField
          id="consent-guardian"
          label="Guardian who agrees"
          value={guardian}
          onChange={(e) => setGuardian(e.target.value)}
          {...at('guardian')}
        />
      )}
      <p className="second">
        A refusal needs no reason.{' '}
        {minor && `Under ${OF_AGE}, or with the date of birth unknown, it counts only with a guardian’s agreement. `}
        Every change stays on record. Rules of federation, insurer and local law come first.
      </p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Record it
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** Which work rests, and until when. No diagnosis is kept. */
export function Injury({ view, done, leave, value }: Sheet & { value: StudentView['injuries'][number] | null }) {
  const [id] = useState(() => value?.id ?? newId());
  const [what, setWhat] = useState(value?.what ?? '');
  const [from, setFrom] = useState(value?.from ?? view.today);
  const [until, setUntil] = useState(value?.until ?? '');
  const { decide, at, message } = useDecision(done);
  return (
    <form
      className="sheet stack"
      noValidate
      aria-label="An injury"
      onSubmit={(e: SyntheticEvent) => {
        e.preventDefault();
        void decide('injury.record', { id, studentId: view.student.id, what, from, until });
      }}
    >
      <h2>{value ? 'Until when does it rest?' : 'Which work rests?'}</h2>
      <TextField
        id="injury-what"
        label="Work that rests"
        placeholder="kicks with the left leg"
        value={what}
        onChange={(e) => setWhat(e.target.value)}
        {...at('what')}
      />
      <TextField id="injury-from" label="From" value={from} onChange={(e) => setFrom(e.target.value)} {...at('from')} />
      <TextField
        id="injury-until"
        label="Until and with"
        value={until}
        onChange={(e) => setUntil(e.target.value)}
        {...at('until')}
      />
      <p className="second">
        Pain: stop, and ask a doctor or physiotherapist. Suspected concussion: off the floor, medical assessment, not
        back the same day; when to come back is the doctor’s word. Write no diagnosis here.
      </p>
      {message}
      <div className="row">
        <Button type="submit" variant="contained">
          Record it
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </form>
  );
}

/** What is on record about contact and rest. */
export function Safety({
  view,
  onConsent,
  onInjury,
}: {
  view: StudentView;
  onConsent: (() => void) | null;
  onInjury: ((value: StudentView['injuries'][number] | null) => void) | null;
}) {
  const { consent } = view;
  return (
    <section>
      <h2>Contact and rest</h2>
      <ul>
        <li className="line spread" style={{ padding: '5px 0' }}>
          <span>
            {consent === null
              ? 'No consent to contact on record'
              : consent.rung === null
                ? 'No contact'
                : `Contact: ${consent.rung}`}
            {consent && (
              <span className="second">
                , {dateInWords(consent.day)}
                {consent.guardian !== '' && `, ${consent.guardian} agrees`}
                {consent.rung !== null && !consent.counts && '; a guardian’s agreement is missing'}
              </span>
            )}
          </span>
          {onConsent && (
            <Button variant="text" className="no-print" onClick={onConsent}>
              Record consent
            </Button>
          )}
        </li>
        {view.consentBefore.length > 0 && (
          <li className="second" style={{ padding: '2px 0 5px' }}>
            Before: {view.consentBefore.map((c) => `${c.rung ?? 'no contact'} (${dateInWords(c.day)})`).join(', ')}.
          </li>
        )}
        {view.injuries.map((i) => (
          <li key={i.id} className="line spread" style={{ padding: '5px 0' }}>
            <span className="hurts">
              {i.what} rests until {dateInWords(i.until)}
            </span>
            {onInjury && (
              <Button variant="text" className="no-print" onClick={() => onInjury(i)}>
                change
              </Button>
            )}
          </li>
        ))}
      </ul>
      {onInjury && (
        <Button variant="text" className="no-print" onClick={() => onInjury(null)}>
          Record an injury
        </Button>
      )}
    </section>
  );
}
