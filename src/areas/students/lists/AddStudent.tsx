import { studentInput } from '../../../contracts/student';
import type { RollView } from '../../../contracts/views';
import { ChoiceField, DateField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';

/** One student comes on the roll. */
export function AddStudent({ view, today, leave }: { view: RollView; today: string; leave: () => void }) {
  const sheet = useCommandSheet<'student.add'>({
    command: 'student.add',
    schema: studentInput,
    start: { id: newId(), name: '', born: null, rankId: view.ranks[0]?.id ?? '', since: today },
    done: ({ id }) => location.assign(`/students/${id}`),
  });
  return (
    <SheetForm sheet={sheet} title="A new student" saves="Add" leave={leave}>
      <TextField name="name" label="Name" autoFocus />
      <DateField
        name="born"
        label="Date of birth"
        none
        notAfter={today}
        help="Such as 4 May 2010. Unknown: counted as a minor."
      />
      <ChoiceField name="rankId" label="Belt" options={view.ranks.map((r) => ({ value: r.id, word: r.name }))} />
      <DateField name="since" label="Since" notAfter={today} />
    </SheetForm>
  );
}
