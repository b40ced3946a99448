import Button from '@mui/material/Button';
import { useState } from 'react';
import type { RequirementVerdict } from '../../contracts/views';
import { VERDICTS, type VerdictWord } from '../../core';
import { newId } from '../../kit/send';
import { Choice, Field } from '../../kit/sheet/Field';
import { useDecision } from '../../kit/sheet/useDecision';

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
  const [word, setWord] = useState<VerdictWord>(r.word === 'met' ? 'short' : 'met');
  const [reason, setReason] = useState('');
  const { decide, at, wrong } = useDecision(done);
  if (!open)
    return (
      <div className="no-print" style={{ marginTop: 8 }}>
        <Button onClick={() => setOpen(true)}>{r.override ? 'Change the head’s word' : 'Overrule this'}</Button>
      </div>
    );
  const save = (next: VerdictWord | null) =>
    void decide('override.set', { id: newId(), studentId, requirementId: r.id, word: next, reason });
  return (
    <form
      className="stack"
      style={{ marginTop: 10 }}
      onSubmit={(e) => {
        e.preventDefault();
        save(word);
      }}
      noValidate
    >
      <Choice id="override-word" label="The head’s word" value={word} onValue={setWord} options={VERDICTS} />
      <Field id="override-reason" label="Why" lines={2} value={reason} onValue={setReason} {...at('reason')} />
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="row" style={{ flexWrap: 'wrap' }}>
        <Button type="submit" variant="contained">
          Say so
        </Button>
        {r.override && <Button onClick={() => save(null)}>Back to the computed word</Button>}
        <Button variant="text" onClick={() => setOpen(false)}>
          Leave it
        </Button>
      </div>
    </form>
  );
}
