import Button from '@mui/material/Button';
import { useState } from 'react';
import { Field } from '../../kit/sheet/Field';
import { SheetForm } from '../../kit/sheet/SheetForm';
import { useDecision } from '../../kit/sheet/useDecision';
import { readDate } from '../../core';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { dateInWords } from '../../kit/words';
import type { Sheet } from './sheet';

/** Name and birth, and whether they are still of the school. */
export function ChangeStudent({ view, done, leave }: Sheet) {
  const { id, born: known, leftOn } = view.student;
  const [name, setName] = useState(view.student.name);
  const [born, setBorn] = useState(known === null ? '' : dateInWords(known));
  const { decide, decideBy, at, wrong } = useDecision(done);
  const { save: saveIt, meeting } = useSideBySide('student.change', {
    title: `Which ${view.student.name} shall stand?`,
    nameOf: (path) => ({ where: view.student.name, what: path.at(-1) === 'born' ? 'date of birth' : 'name' }),
    show: (value) => (typeof value === 'string' && value !== '' ? value : 'not known'),
    done,
  });
  const save = () => {
    // As it is stored, so that the same day typed otherwise is no difference.
    const day = readDate(born);
    const now = { id, name: name.trim(), born: born.trim() === '' ? null : day.ok ? day.value : born };
    return decideBy(() => saveIt({ id, name: view.student.name, born: known }, now, view.student.version));
  };
  const left = leftOn !== null;
  return (
    <SheetForm
      title="Name and birth"
      save="Save"
      wrong={wrong}
      leave={leave}
      onSave={() => void save()}
      more={
        <Button variant="text" onClick={() => void decide('student.leave', { id, left: !left })}>
          {left ? 'Back on the roll' : 'Has left the school'}
        </Button>
      }
    >
      {meeting}
      <Field id="change-name" label="Name" value={name} onValue={setName} {...at('name')} />
      <Field id="change-born" label="Date of birth" value={born} onValue={setBorn} {...at('born')} />
      {!left && <p className="second">Who has left keeps their record, is signed out and can be taken back.</p>}
    </SheetForm>
  );
}
