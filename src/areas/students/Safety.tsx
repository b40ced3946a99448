import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StudentView } from '../../contracts/views';
import { OF_AGE, RUNGS, type Rung } from '../../core';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** Consent to contact, or its refusal, which needs no reason. A minor's guardian agrees too. */
export function Consent({ view, done, leave }: Sheet) {
  const [rung, setRung] = useState<Rung | ''>(view.consent?.rung ?? '');
  const [guardian, setGuardian] = useState('');
  const { decide, at, wrong } = useDecision(done);
  const minor = view.student.age === null || view.student.age < OF_AGE;
  return (
    <SheetForm
      title="Consent to contact"
      save="Record it"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decide('consent.record', {
          id: newId(),
          studentId: view.student.id,
          rung: rung || null,
          day: view.today,
          guardian: rung ? guardian : '',
        })
      }
    >
      <Choice
        id="consent-rung"
        label="Agrees to, at most"
        value={rung}
        onValue={setRung}
        options={[{ value: '', word: 'no contact' }, ...RUNGS]}
        {...at('rung')}
      />
      {minor && rung !== '' && (
        <Field
          id="consent-guardian"
          label="Guardian who agrees"
          value={guardian}
          onValue={setGuardian}
          {...at('guardian')}
        />
      )}
      <p className="second">
        A refusal needs no reason.{' '}
        {minor && `Under ${OF_AGE}, or with the date of birth unknown, it counts only with a guardian’s agreement. `}
        Every change stays on record. Rules of federation, insurer and local law come first.
      </p>
    </SheetForm>
  );
}

/** Which work rests, and until when. No diagnosis is kept. */
export function Injury({ view, done, leave, value }: Sheet & { value: StudentView['injuries'][number] | null }) {
  const [id] = useState(() => value?.id ?? newId());
  const [what, setWhat] = useState(value?.what ?? '');
  const [from, setFrom] = useState(dateInWords(value?.from ?? view.today));
  const [until, setUntil] = useState(value ? dateInWords(value.until) : '');
  const { decide, at, wrong } = useDecision(done);
  return (
    <SheetForm
      title={value ? 'Until when does it rest?' : 'Which work rests?'}
      label="An injury"
      save="Record it"
      wrong={wrong}
      leave={leave}
      onSave={() => void decide('injury.record', { id, studentId: view.student.id, what, from, until })}
    >
      <Field
        id="injury-what"
        label="Work that rests"
        placeholder="kicks with the left leg"
        value={what}
        onValue={setWhat}
        {...at('what')}
      />
      <Field id="injury-from" label="From" value={from} onValue={setFrom} {...at('from')} />
      <Field id="injury-until" label="Until and with" value={until} onValue={setUntil} {...at('until')} />
      <p className="second">
        Pain: stop, and ask a doctor or physiotherapist. Suspected concussion: off the floor, medical assessment, not
        back the same day; when to come back is the doctor’s word. Write no diagnosis here.
      </p>
    </SheetForm>
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
