import Button from '@mui/material/Button';
import { useState } from 'react';
import { overrideInput } from '../../../contracts/override';
import type { RequirementVerdict } from '../../../contracts/views';
import { VERDICTS } from '../../../core';
import { ChoiceField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';

/** A head's word against the computed verdict; kept with its reason, lifted with a reason. */
export function Override({
  r,
  studentId,
  done,
}: {
  r: RequirementVerdict;
  studentId: string;
  done: () => Promise<void>;
}) {
  const [open, setOpen] = useState(false);
  if (!open)
    return (
      <div className="no-print mt-2">
        <Button onClick={() => setOpen(true)}>{r.override ? 'Change the head’s word' : 'Overrule this'}</Button>
      </div>
    );
  return <SayOtherwise r={r} studentId={studentId} done={done} leave={() => setOpen(false)} />;
}

function SayOtherwise({
  r,
  studentId,
  done,
  leave,
}: {
  r: RequirementVerdict;
  studentId: string;
  done: () => Promise<void>;
  leave: () => void;
}) {
  const sheet = useCommandSheet<'override.set'>({
    command: 'override.set',
    schema: overrideInput,
    start: { id: newId(), studentId, requirementId: r.id, word: r.word === 'met' ? 'short' : 'met', reason: '' },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title=""
      label="The head’s word"
      saves="Say so"
      leave={leave}
      more={
        r.override && (
          <Button
            onClick={() => {
              sheet.form.setValue('word', null);
              void sheet.save();
            }}
          >
            Back to the computed word
          </Button>
        )
      }
    >
      <ChoiceField name="word" label="The head’s word" options={VERDICTS} />
      <TextField name="reason" label="Why" lines={2} />
    </SheetForm>
  );
}
