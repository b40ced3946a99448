import Button from '@mui/material/Button';
import { blockCallShape } from '../../contracts/blockCall';
import { CALL_MODE_WORDS, CALL_MODES, CALL_SIDES_WORDS, hasTimes, PLAIN_CALL, type BlockCall } from '../../core';
import { ChoiceField, NumberField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';

/** How a form of a block is called: the caller begins with it. */
export function CallSheet({
  name,
  call,
  done,
  leave,
}: {
  name: string;
  call: BlockCall | null;
  /** Null: whoever calls it chooses. */
  done: (call: BlockCall | null) => void;
  leave: () => void;
}) {
  const sheet = useSheet({
    start: call ?? PLAIN_CALL,
    schema: blockCallShape,
    make: (draft) => draft,
    saving: (_draft, read) => {
      done(read);
      return { ok: true, answer: {} };
    },
    done: leave,
  });
  const mode = sheet.form.watch('mode');
  return (
    <SheetForm
      sheet={sheet}
      title={`How ${name} is called`}
      saves="Keep it"
      leave={leave}
      more={
        call !== null && (
          <Button
            variant="text"
            onClick={() => {
              done(null);
              leave();
            }}
          >
            As the caller likes
          </Button>
        )
      }
    >
      <ChoiceField
        name="mode"
        label="Way"
        options={CALL_MODES.map((value) => ({ value, word: CALL_MODE_WORDS[value] }))}
      />
      <ChoiceField
        name="sides"
        label="Sides"
        options={(['written', 'mirrored', 'both'] as const).map((value) => ({ value, word: CALL_SIDES_WORDS[value] }))}
      />
      <div className="two">
        <NumberField name="secondsPerCount" label="Seconds a count" />
        <NumberField name="rounds" label="Rounds" />
      </div>
      {hasTimes(mode) && <NumberField name="times" label={mode === 'quarters' ? 'Counts' : 'Times a side'} />}
    </SheetForm>
  );
}
