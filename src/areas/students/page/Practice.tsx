import Button from '@mui/material/Button';
import { practiceInput } from '../../../contracts/practice';
import type { StudentView } from '../../../contracts/views';
import { capital, cautionInWords, dateInWords, dayInWords, HANDS, JOINTS } from '../../../core';
import { ChoiceField, DateField, NumberField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';
import { StrikeWord, type OnStrike } from '../../../kit/strike/Strike';

/** The student's own log: home hours, apart from those of class. */
export function PracticeLog({
  view,
  onAdd,
  onStrike,
}: {
  view: StudentView;
  onAdd: (() => void) | null;
  onStrike: OnStrike;
}) {
  const p = view.practice;
  const hours = p.minutes >= 90 ? `${Math.round((p.minutes / 60) * 10) / 10} hours` : `${p.minutes} minutes`;
  return (
    <section>
      <div className="spread">
        <h2>At home</h2>
        {onAdd && (
          <Button variant="text" className="no-print" onClick={onAdd}>
            Write down practice
          </Button>
        )}
      </div>
      <p className="second line pt-1">
        {p.entries === 0
          ? 'Nothing written down in the last four weeks.'
          : `${hours} in four weeks, ${p.repetitions} repetitions${p.strikes > 0 ? `, ${p.strikes} strikes` : ''}. The gates count class hours only.`}
      </p>
      <p className="line">
        <a href={`/students/${view.student.id}/strikes`}>Strikes, and what the hands say</a>
      </p>
      {view.stops.map((s) => (
        <p key={s.what} className="message">
          {capital(s.what)}: no striking until it has healed
          {s.until === null ? '' : `, ${dayInWords(s.until, view.today)} at the earliest`}.
        </p>
      ))}
      {cautionInWords(p) !== '' && <p className="message">{cautionInWords(p)}</p>}
      <ul>
        {p.list.slice(0, 4).map((e) => (
          <li key={e.id} className="line py-1">
            {e.minutes} minutes{' '}
            <span className="second">
              {dateInWords(e.day)}
              {e.what !== '' && `: ${e.what}`}
              {e.hands !== 'fine' && `, hands ${e.hands}`}
              {e.joints !== 'fine' && `, joints ${e.joints}`}
            </span>{' '}
            <StrikeWord
              onStrike={onStrike}
              thing={{ kind: 'practice', id: e.id, says: `${e.minutes} minutes, ${dateInWords(e.day)}` }}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One entry of the log: minutes, repetitions, strikes, and what hands and joints say. */
export function Practise({ view, done, leave }: Sheet) {
  const sheet = useCommandSheet<'practice.record'>({
    command: 'practice.record',
    schema: practiceInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      day: view.today,
      minutes: 10,
      repetitions: 0,
      strikes: 0,
      hands: 'fine',
      joints: 'fine',
      what: '',
    },
    done,
  });
  const { hands, joints } = sheet.form.watch();
  return (
    <SheetForm
      sheet={sheet}
      title="What was practised?"
      label="Write down practice"
      saves="Write it down"
      leave={leave}
    >
      <DateField name="day" label="Day" />
      <NumberField name="minutes" label="Minutes" />
      <NumberField name="repetitions" label="Repetitions" />
      <NumberField name="strikes" label="Strikes on a post or bag" />
      <ChoiceField name="hands" label="Hands" options={HANDS} />
      <ChoiceField name="joints" label="Joints" options={JOINTS} />
      <TextField name="what" label="What, in a few words" />
      {(hands === 'skin open' || joints === 'pain') && (
        <p className="message">
          {hands === 'skin open' && 'Open skin: no striking until it has healed, about two weeks. '}
          {joints === 'pain' && 'Pain: stop that work and ask a doctor or physiotherapist.'}
        </p>
      )}
    </SheetForm>
  );
}
