import type { CommandDraft } from '../../contracts/commands';
import { teacherInput } from '../../contracts/teacher';
import type { PeopleView } from '../../contracts/views';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useEditedSheet } from '../../kit/form/useEditedSheet';
import { newId } from '../../kit/send';
import { RIGHTS, WORD } from './roles';

const TEACHES = ['head', 'instructor', 'examiner'] as const;

/** A teacher's or examiner's name and rights. */
export function TeacherSheet({ value, leave }: { value: PeopleView['teachers'][number] | null; leave?: () => void }) {
  const start: CommandDraft<'teacher.save'> = value
    ? { id: value.id, name: value.name, role: value.role }
    : { id: newId(), name: '', role: 'instructor' };
  const { sheet, meeting } = useEditedSheet<'teacher.save'>({
    command: 'teacher.save',
    version: value?.version,
    schema: teacherInput,
    start,
    done: () => location.reload(),
    title: `Which ${start.name} shall stand?`,
    nameOf: (path) => ({ where: start.name, what: path.at(-1) === 'role' ? 'the rights' : 'the name' }),
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
