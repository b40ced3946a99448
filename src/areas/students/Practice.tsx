import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StudentView } from '../../contracts/views';
import { HANDS, JOINTS, type Hands, type Joints } from '../../core';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** The student's own log: home hours, apart from those of class. */
export function PracticeLog({ view, onAdd }: { view: StudentView; onAdd: (() => void) | null }) {
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
      <p className="second line" style={{ paddingTop: 5 }}>
        {p.entries === 0
          ? 'Nothing written down in the last four weeks.'
          : `${hours} in four weeks, ${p.repetitions} repetitions${p.strikes > 0 ? `, ${p.strikes} strikes` : ''}. The gates count class hours only.`}
      </p>
      {p.caution !== '' && <p className="message">{p.caution}</p>}
      <ul>
        {p.list.slice(0, 4).map((e) => (
          <li key={e.id} className="line" style={{ padding: '4px 0' }}>
            {e.minutes} minutes{' '}
            <span className="second">
              {dateInWords(e.day)}
              {e.what !== '' && `: ${e.what}`}
              {e.hands !== 'fine' && `, hands ${e.hands}`}
              {e.joints !== 'fine' && `, joints ${e.joints}`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** One entry of the log: minutes, repetitions, strikes, and what hands and joints say. */
export function Practise({ view, done, leave }: Sheet) {
  const [day, setDay] = useState(dateInWords(view.today));
  const [minutes, setMinutes] = useState('10');
  const [repetitions, setRepetitions] = useState('0');
  const [strikes, setStrikes] = useState('0');
  const [hands, setHands] = useState<Hands>('fine');
  const [joints, setJoints] = useState<Joints>('fine');
  const [what, setWhat] = useState('');
  const { decide, at, wrong } = useDecision(done);
  return (
    <SheetForm
      title="What was practised?"
      label="Write down practice"
      save="Write it down"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decide('practice.record', {
          id: newId(),
          studentId: view.student.id,
          day,
          minutes: Number(minutes),
          repetitions: Number(repetitions),
          strikes: Number(strikes),
          hands,
          joints,
          what,
        })
      }
    >
      <Field id="practice-day" label="Day" value={day} onValue={setDay} {...at('day')} />
      <Field id="practice-minutes" label="Minutes" number value={minutes} onValue={setMinutes} {...at('minutes')} />
      <Field
        id="practice-repetitions"
        label="Repetitions"
        number
        value={repetitions}
        onValue={setRepetitions}
        {...at('repetitions')}
      />
      <Field
        id="practice-strikes"
        label="Strikes on a post or bag"
        number
        value={strikes}
        onValue={setStrikes}
        {...at('strikes')}
      />
      <Choice id="practice-hands" label="Hands" value={hands} onValue={setHands} options={HANDS} />
      <Choice id="practice-joints" label="Joints" value={joints} onValue={setJoints} options={JOINTS} />
      <Field id="practice-what" label="What, in a few words" value={what} onValue={setWhat} {...at('what')} />
      {(hands === 'skin open' || joints === 'pain') && (
        <p className="message">
          {hands === 'skin open' && 'Open skin: no striking until it has healed, about two weeks. '}
          {joints === 'pain' && 'Pain: stop that work and ask a doctor or physiotherapist.'}
        </p>
      )}
    </SheetForm>
  );
}
