import Button from '@mui/material/Button';
import { partnersInput } from '../../../contracts/pairs';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { ChoiceField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import type { Sheet } from './sheet';

/** With whom somebody never works, and with whom they would like to. */
export function Partners({
  view,
  onSay,
  onEnd,
}: {
  view: StudentView;
  onSay: (() => void) | null;
  onEnd: ((id: string) => void) | null;
}) {
  if (view.partners.length === 0 && !onSay) return null;
  return (
    <section>
      <div className="spread">
        <h2>Partners</h2>
        {onSay && (
          <Button variant="text" className="no-print" onClick={onSay}>
            Say with whom
          </Button>
        )}
      </div>
      {view.partners.length === 0 && <p className="second line pt-1">With anybody who fits.</p>}
      <ul>
        {view.partners.map((p) => (
          <li key={p.id} className="line spread py-1">
            <span>
              {p.kind === 'apart' ? 'Never with' : 'Likes to work with'} <b>{p.other}</b>
              {p.said && (
                <span className="second">
                  , {p.said.by}, {dateInWords(p.said.day)}
                  {p.said.why !== '' && `: ${p.said.why}`}
                </span>
              )}
            </span>
            {onEnd && p.mine && (
              <Button variant="text" className="no-print" onClick={() => onEnd(p.id)}>
                It ends
              </Button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Says that two never work together, or would like to. No reason is asked. */
export function SayPartners({ view, done, leave }: Sheet) {
  const sheet = useCommandSheet<'partners.say'>({
    command: 'partners.say',
    schema: partnersInput,
    start: { id: newId(), a: view.student.id, b: '', kind: 'apart', why: '' },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title="Who works with whom?"
      label="Partners"
      saves="Record it"
      disabled={sheet.form.watch('b') === ''}
      leave={leave}
    >
      <ChoiceField
        name="kind"
        label="They"
        options={[
          { value: 'apart', word: 'never work together' },
          { value: 'together', word: 'would like to' },
        ]}
      />
      <ChoiceField name="b" label="With" options={view.classmates.map((c) => ({ value: c.id, word: c.name }))} />
      <TextField name="why" label="Why, if somebody says so" />
      <p className="second">
        No reason is asked. Teachers see that two are kept apart; who said so and why is for the head alone.
      </p>
    </SheetForm>
  );
}
