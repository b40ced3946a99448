import type { CommandDraft } from '../../contracts/commands';
import { guardianInput } from '../../contracts/guardian';
import type { PeopleView } from '../../contracts/views';
import { PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';

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
  const { save, meeting } = useSideBySide('guardian.save', {
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({ where: start.name, what: path[0] === 'studentIds' ? 'for whom they answer' : 'the name' }),
    show: (shown) =>
      Array.isArray(shown) ? shown.map(nameOf).join(', ') : typeof shown === 'string' ? shown : nameOf(shown),
    done: () => location.reload(),
  });
  const sheet = useCommandSheet<'guardian.save'>({
    command: 'guardian.save',
    schema: guardianInput,
    start,
    sending: (draft) => save(start, draft, value?.version),
    done: () => location.reload(),
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
