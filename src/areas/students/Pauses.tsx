import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StudentView } from '../../contracts/views';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { capital, dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** Work laid off until a habit is gone. */
export function Pauses({
  view,
  onPause,
  onEnd,
}: {
  view: StudentView;
  onPause: (() => void) | null;
  onEnd: ((id: string) => void) | null;
}) {
  if (view.pauses.length === 0 && !onPause) return null;
  return (
    <section>
      <div className="spread">
        <h2>Laid off</h2>
        {onPause && (
          <Button variant="text" className="no-print" onClick={onPause}>
            Lay work off
          </Button>
        )}
      </div>
      {view.pauses.length === 0 && (
        <p className="second line" style={{ paddingTop: 5 }}>
          No work is laid off.
        </p>
      )}
      <ul>
        {view.pauses.map((p) => (
          <li key={p.id} className="line" style={{ padding: '5px 0' }}>
            <b style={{ fontWeight: 550 }}>{p.item}</b>{' '}
            <span className="second">
              until this habit is gone: {p.habit}. {capital(`since ${dateInWords(p.from)}`)}
              {p.until && `, taken up again on ${dateInWords(p.until)}`}
            </span>
            {onEnd && p.until === null && (
              <Button variant="text" className="no-print" onClick={() => onEnd(p.id)}>
                Take it up again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Lays one item off until a habit is gone. */
export function Pause({ view, done, leave }: Sheet) {
  const [key, setKey] = useState('');
  const [habit, setHabit] = useState('');
  const { decide, at, wrong } = useDecision(done);
  const chosen = view.requirements.find((r) => r.id === key)?.item;
  return (
    <SheetForm
      title="Lay work off"
      save="Lay it off"
      disabled={!chosen}
      wrong={wrong}
      leave={leave}
      onSave={() =>
        chosen &&
        void decide('pause.begin', {
          id: newId(),
          studentId: view.student.id,
          techniqueId: 'technique' in chosen ? chosen.technique : null,
          sequenceId: 'sequence' in chosen ? chosen.sequence : null,
          habit,
          from: view.today,
        })
      }
    >
      <Choice
        id="pause-item"
        label="Which work?"
        value={key}
        onValue={setKey}
        options={view.requirements.map((r) => ({ value: r.id, word: r.technique }))}
        {...at('techniqueId')}
      />
      <Field id="pause-habit" label="Until which habit is gone?" value={habit} onValue={setHabit} {...at('habit')} />
      <p className="second">Its verdict stays; no look at it is offered until it is taken up again.</p>
    </SheetForm>
  );
}
