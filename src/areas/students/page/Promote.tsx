import { promotionInput } from '../../../contracts/promotion';
import { ChoiceField, DateField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';

/** A promotion is recorded, not computed: the head decides, and sees what is missing. */
export function Promote({ view, done, leave }: Sheet) {
  const sheet = useCommandSheet<'student.promote'>({
    command: 'student.promote',
    schema: promotionInput,
    start: {
      id: newId(),
      studentId: view.student.id,
      rankId: view.next?.id ?? view.ranks[0]?.id ?? '',
      day: view.today,
      note: '',
    },
    done,
  });
  const missing = [
    ...view.requirements.filter((r) => r.word !== 'met').map((r) => r.name),
    ...view.gates.filter((g) => g.word !== 'met').map((g) => g.has),
  ];
  return (
    <SheetForm sheet={sheet} title="Record a promotion" saves="Record it" leave={leave}>
      <ChoiceField
        name="rankId"
        label="Belt"
        options={view.ranks.filter((r) => r.id !== view.student.rank.id).map((r) => ({ value: r.id, word: r.name }))}
      />
      <DateField name="day" label="On" />
      <TextField name="note" label="Note" />
      {sheet.form.watch('rankId') === view.next?.id && missing.length > 0 && (
        <p className="message">Not met yet: {missing.join('; ')}. You decide; it is written down as you say.</p>
      )}
      <p className="second">
        It is the decision as well, and starts the next belt: classes and hours count from this day. A wrong one is
        struck.
      </p>
    </SheetForm>
  );
}
