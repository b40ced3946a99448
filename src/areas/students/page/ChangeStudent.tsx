import Button from '@mui/material/Button';
import { studentChange } from '../../../contracts/student';
import { DateField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useEditedSheet } from '../../../kit/form/useEditedSheet';
import type { Sheet } from './sheet';

/** Name and birth, and whether they are still of the school. */
export function ChangeStudent({ view, done, leave, onLeft }: Sheet) {
  const { id, name, born, leftOn, version } = view.student;
  const { sheet, meeting } = useEditedSheet<'student.change'>({
    command: 'student.change',
    version: version,
    schema: studentChange,
    start: { id, name, born },
    make: (now) => ({ ...now, name: now.name.trim() }),
    done,
    title: `Which ${name} shall stand?`,
    nameOf: (path) => ({ where: name, what: path.at(-1) === 'born' ? 'date of birth' : 'name' }),
    show: (value) => (typeof value === 'string' && value !== '' ? value : 'not known'),
  });
  const left = leftOn !== null;
  return (
    <SheetForm
      sheet={sheet}
      title="Name and birth"
      saves="Save"
      leave={leave}
      more={
        <Button variant="text" onClick={() => onLeft(!left)}>
          {left ? 'Back on the roll' : 'Has left the school'}
        </Button>
      }
    >
      {meeting}
      <TextField name="name" label="Name" />
      <DateField name="born" label="Date of birth" none />
      {!left && <p className="second">Who has left keeps their record, is signed out and can be taken back.</p>}
    </SheetForm>
  );
}
