import Button from '@mui/material/Button';
import { pauseInput } from '../../../contracts/pause';
import type { StudentView } from '../../../contracts/views';
import { capital, dateInWords } from '../../../core';
import { ChoiceField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import { Word } from '../../../kit/Word';
import type { Sheet } from './sheet';

/** Work laid off until a habit is gone. */
export function Pauses({
  view,
  onPause,
  onEnd,
}: {
  view: StudentView;
  onPause: (() => void) | null;
  onEnd: ((id: string) => void) | null;
}) {
  if (view.pauses.length === 0 && !onPause) return null;
  return (
    <section>
      <div className="spread">
        <h2>
          <Word of="pause">Laid off</Word>
        </h2>
        {onPause && (
          <Button variant="text" className="no-print" onClick={onPause}>
            Lay work off
          </Button>
        )}
      </div>
      {view.pauses.length === 0 && <p className="second line pt-1">No work is laid off.</p>}
      <ul>
        {view.pauses.map((p) => (
          <li key={p.id} className="line py-1">
            <b className="item">{p.item}</b>{' '}
            <span className="second">
              until this habit is gone: {p.habit}. {capital(`since ${dateInWords(p.from)}`)}
              {p.until && `, taken up again on ${dateInWords(p.until)}`}
            </span>
            {onEnd && p.until === null && (
              <Button variant="text" className="no-print" onClick={() => onEnd(p.id)}>
                Take it up again
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Lays one item off until a habit is gone. */
export function Pause({ view, done, leave }: Sheet) {
  const sheet = useCommandSheet({
    command: 'pause.begin',
    schema: pauseInput,
    start: { id: newId(), requirementId: '', habit: '' },
    make: ({ id, requirementId, habit }) => {
      const item = view.requirements.find((r) => r.id === requirementId)?.item;
      return {
        id,
        studentId: view.student.id,
        techniqueId: item && 'technique' in item ? item.technique : null,
        sequenceId: item && 'sequence' in item ? item.sequence : null,
        habit,
        from: view.today,
      };
    },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title="Lay work off"
      saves="Lay it off"
      disabled={sheet.form.watch('requirementId') === ''}
      leave={leave}
    >
      <ChoiceField
        name="requirementId"
        label="Which work?"
        options={view.requirements.map((r) => ({ value: r.id, word: r.name }))}
      />
      <TextField name="habit" label="Until which habit is gone?" />
      <p className="second">Its verdict stays; no look at it is offered until it is taken up again.</p>
    </SheetForm>
  );
}
