import { outcomeInput } from '../../../contracts/outcome';
import { DateField, SwitchField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';

/** What a grading or the head decided: kept beside the chance that was believed. */
export function Outcome({ view, done, leave }: Sheet) {
  const sheet = useCommandSheet<'outcome.record'>({
    command: 'outcome.record',
    schema: outcomeInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      rankId: view.next!.id,
      day: view.today,
      passed: true,
      note: '',
    },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title={`What was decided for ${view.next?.name ?? ''}?`}
      label="What was decided?"
      saves="Record it"
      leave={leave}
    >
      <SwitchField
        name="passed"
        label="Decision"
        options={[
          { value: true, word: 'passed' },
          { value: false, word: 'try again' },
        ]}
      />
      <DateField name="day" label="Day" />
      <TextField name="note" label="Note" />
      <p className="second">
        Kept with the chance believed that day, so that it can be seen later how good chances were. Passed gives the
        belt as well.
      </p>
    </SheetForm>
  );
}
