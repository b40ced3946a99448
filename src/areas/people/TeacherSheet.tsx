import type { CommandDraft } from '../../contracts/commands';
import { teacherInput } from '../../contracts/teacher';
import type { PeopleView } from '../../contracts/views';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useCommandSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { RIGHTS, WORD } from './roles';

const TEACHES = ['head', 'instructor', 'examiner'] as const;

/** A teacher's or examiner's name and rights. */
export function TeacherSheet({ value, leave }: { value: PeopleView['teachers'][number] | null; leave?: () => void }) {
  const start: CommandDraft<'teacher.save'> = value
    ? { id: value.id, name: value.name, role: value.role }
    : { id: newId(), name: '', role: 'instructor' };
  const { save, meeting } = useSideBySide('teacher.save', {
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({ where: start.name, what: path.at(-1) === 'role' ? 'the rights' : 'the name' }),
    done: () => location.reload(),
  });
  const sheet = useCommandSheet<'teacher.save'>({
    command: 'teacher.save',
    schema: teacherInput,
    start,
    sending: (draft) => save(start, draft, value?.version),
    done: () => location.reload(),
  });
  return (
    <SheetForm
      sheet={sheet}
      title={value ? 'Name and rights' : 'A new teacher'}
      saves={value ? 'Save' : 'Add'}
      {...(leave ? { leave } : {})}
    >
      {meeting}
      <TextField name="name" label="Name" />
      <ChoiceField
        name="role"
        label="Rights"
        options={TEACHES.map((r) => ({ value: r, word: WORD[r] }))}
        help={`May: ${RIGHTS[sheet.form.watch('role')]}.`}
      />
    </SheetForm>
  );
}
