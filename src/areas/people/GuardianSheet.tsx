import type { CommandDraft } from '../../contracts/commands';
import { guardianInput } from '../../contracts/guardian';
import type { PeopleView } from '../../contracts/views';
import { PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useEditedSheet } from '../../kit/form/useEditedSheet';
import { newId } from '../../kit/send';

/** A guardian's name, and for whom they answer. */
export function GuardianSheet({
  view,
  value,
  leave,
}: {
  view: PeopleView;
  value: PeopleView['guardians'][number] | null;
  leave?: () => void;
}) {
  const start: CommandDraft<'guardian.save'> = value
    ? { id: value.id, name: value.name, studentIds: value.studentIds }
    : { id: newId(), name: '', studentIds: [] };
  const nameOf = (id: unknown) => view.students.find((s) => s.id === id)?.name ?? 'somebody who has left';
  const { sheet, meeting } = useEditedSheet<'guardian.save'>({
    command: 'guardian.save',
    version: value?.version,
    schema: guardianInput,
    start,
    done: () => location.reload(),
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({ where: start.name, what: path[0] === 'studentIds' ? 'for whom they answer' : 'the name' }),
    show: (shown) =>
      Array.isArray(shown) ? shown.map(nameOf).join(', ') : typeof shown === 'string' ? shown : nameOf(shown),
  });
  return (
    <SheetForm
      sheet={sheet}
      title={value ? 'Name, and for whom' : 'A new guardian'}
      saves={value ? 'Save' : 'Add'}
      {...(leave ? { leave } : {})}
    >
      {meeting}
      <TextField name="name" label="Name" />
      <PickManyField
        name="studentIds"
        label="Answers for"
        options={view.students}
        help="Sees the pages of these students, and of no others."
      />
    </SheetForm>
  );
}
