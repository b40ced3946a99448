import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** Name and birth, and whether they are still of the school. */
export function ChangeStudent({ view, done, leave }: Sheet) {
  const { id, born: known, leftOn } = view.student;
  const [name, setName] = useState(view.student.name);
  const [born, setBorn] = useState(known === null ? '' : dateInWords(known));
  const { decide, at, wrong } = useDecision(done);
  const left = leftOn !== null;
  return (
    <SheetForm
      title="Name and birth"
      save="Save"
      wrong={wrong}
      leave={leave}
      onSave={() => void decide('student.change', { id, name, born: born.trim() === '' ? null : born })}
      more={
        <Button variant="text" onClick={() => void decide('student.leave', { id, left: !left })}>
          {left ? 'Back on the roll' : 'Has left the school'}
        </Button>
      }
    >
      <Field id="change-name" label="Name" value={name} onValue={setName} {...at('name')} />
      <Field id="change-born" label="Date of birth" value={born} onValue={setBorn} {...at('born')} />
      {!left && <p className="second">Who has left keeps their record, is signed out and can be taken back.</p>}
    </SheetForm>
  );
}
