import { useState } from 'react';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** What a grading or the head decided: kept beside the chance that was believed. */
export function Outcome({ view, done, leave }: Sheet) {
  const [passed, setPassed] = useState<'yes' | 'no'>('yes');
  const [day, setDay] = useState(dateInWords(view.today));
  const [note, setNote] = useState('');
  const { decide, at, wrong } = useDecision(done);
  return (
    <SheetForm
      title={`What was decided for ${view.next?.name ?? ''}?`}
      label="What was decided?"
      save="Record it"
      wrong={wrong}
      leave={leave}
      onSave={() =>
        void decide('outcome.record', {
          id: newId(),
          studentId: view.student.id,
          rankId: view.next!.id,
          day,
          passed: passed === 'yes',
          note,
        })
      }
    >
      <Choice
        id="outcome-passed"
        label="Decision"
        value={passed}
        onValue={setPassed}
        options={[
          { value: 'yes', word: 'passed' },
          { value: 'no', word: 'try again' },
        ]}
      />
      <Field id="outcome-day" label="Day" value={day} onValue={setDay} {...at('day')} />
      <Field id="outcome-note" label="Note" value={note} onValue={setNote} {...at('note')} />
      <p className="second">
        Kept with the chance believed that day, so that it can be seen later how good chances were. A belt is given by
        “Record a promotion”.
      </p>
    </SheetForm>
  );
}
