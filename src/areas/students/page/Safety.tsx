import Button from '@mui/material/Button';
import { consentInput } from '../../../contracts/consent';
import { injuryInput } from '../../../contracts/injury';
import type { StudentView } from '../../../contracts/views';
import { dateInWords, RUNGS } from '../../../core';
import { ChoiceField, DateField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';
import { StrikeWord, type OnStrike } from '../../../kit/strike/Strike';

/** Consent to contact, or its refusal, which needs no reason. A minor's guardian agrees too. */
export function Consent({ view, done, leave }: Sheet) {
  const { most, asksGuardian, because, minor } = view.consentSaid!;
  const offered = RUNGS.slice(0, most);
  const sheet = useCommandSheet<'consent.record'>({
    command: 'consent.record',
    schema: consentInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      rung: offered.find((r) => r === view.consent?.rung) ?? null,
      day: view.today,
      guardian: '',
    },
    make: (c) => ({ ...c, guardian: c.rung === null ? '' : c.guardian }),
    done,
  });
  return (
    <SheetForm sheet={sheet} title="Consent to contact" saves="Record it" leave={leave}>
      <ChoiceField name="rung" label="Agrees to, at most" none="no contact" options={offered} />
      {because !== '' && <p>{because}</p>}
      {asksGuardian && sheet.form.watch('rung') !== null && <TextField name="guardian" label="Guardian who agrees" />}
      <p className="second">
        A refusal needs no reason.{' '}
        {minor && 'Of a minor, or with the date of birth unknown, it counts only with a guardian’s agreement. '}
        Every change stays on record. Rules of federation, insurer and local law come first.
      </p>
    </SheetForm>
  );
}

/** Which work rests, and until when. No diagnosis is kept. */
export function Injury({ view, done, leave, value }: Sheet & { value: StudentView['injuries'][number] | null }) {
  const sheet = useCommandSheet<'injury.record'>({
    command: 'injury.record',
    schema: injuryInput,
    start: {
      id: value?.id ?? newId(),
      studentId: view.student.id,
      what: value?.what ?? '',
      from: value?.from ?? view.today,
      until: value?.until ?? '',
    },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title={value ? 'Until when does it rest?' : 'Which work rests?'}
      label="An injury"
      saves="Record it"
      leave={leave}
    >
      <TextField name="what" label="Work that rests" placeholder="kicks with the left leg" />
      <DateField name="from" label="From" />
      <DateField name="until" label="Until and with" />
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
  onStrike,
}: {
  view: StudentView;
  onStrike: OnStrike;
  onConsent: (() => void) | null;
  onInjury: ((value: StudentView['injuries'][number] | null) => void) | null;
}) {
  const { consent } = view;
  return (
    <section>
      <h2>Contact and rest</h2>
      <ul>
        <li className="line spread py-1">
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
          {consent && (
            <StrikeWord
              onStrike={onStrike}
              thing={{ kind: 'consent', id: consent.id, says: `Contact: ${consent.rung ?? 'none'}` }}
            />
          )}
          {onConsent && (
            <Button variant="text" className="no-print" onClick={onConsent}>
              {view.reader === 'teacher' ? 'Record consent' : 'Say how far contact may go'}
            </Button>
          )}
        </li>
        {view.consentBefore.length > 0 && (
          <li className="second py-1">
            Before: {view.consentBefore.map((c) => `${c.rung ?? 'no contact'} (${dateInWords(c.day)})`).join(', ')}.
          </li>
        )}
        {view.injuries.map((i) => (
          <li key={i.id} className="line spread py-1">
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
