import Button from '@mui/material/Button';
import { useState } from 'react';
import { focusInput } from '../../../contracts/focus';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { ChoiceField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { newId } from '../../../kit/send';
import { Word } from '../../../kit/Word';
import { onSide, type Sheet } from './sheet';

/** The one correction with its reason, one true thing to praise, and all slips one tap away. */
export function OneThing({ view, onChoose }: { view: StudentView; onChoose: (() => void) | null }) {
  const [all, setAll] = useState(false);
  const f = view.focus;
  return (
    <section className="sheet one-thing">
      <div className="spread">
        <h2>
          <Word of="oneThing">One thing to work on</Word>
        </h2>
        <span className="second">{f?.since ? `since ${dateInWords(f.since)}` : ''}</span>
      </div>
      <p>
        <b>True now:</b> {view.praise}
      </p>
      {f ? (
        <>
          <p className="serif what">
            {f.point}
            {onSide(f.side)}.
          </p>
          {f.cue !== '' && <p className="serif cue">“{f.cue}”</p>}
          <p className="second">
            {f.hurts && <span className="hurts">Can hurt{f.hurtsHow ? `: ${f.hurtsHow}` : ''}. </span>}
            {f.why} {f.holds} Now {f.held} of the last {f.of}.
          </p>
        </>
      ) : (
        <p className="second">Nothing of what is asked was seen to slip.</p>
      )}
      <div className="row no-print">
        {view.slips.length > 0 && (
          <Button variant="text" aria-expanded={all} onClick={() => setAll(!all)}>
            {all ? 'Only the one' : view.slips.length === 1 ? 'The one slip' : `All ${view.slips.length} slips`}
          </Button>
        )}
        {onChoose && view.slips.length > 1 && (
          <Button variant="text" onClick={onChoose}>
            Choose another
          </Button>
        )}
      </div>
      {all && (
        <ol className="slips">
          {view.slips.map((s) => (
            <li key={`${s.pointId} ${s.side}`} className="line">
              <b>
                {s.point}
                {onSide(s.side)}
              </b>{' '}
              <span className="second">
                {s.held} of {s.of}, needs {s.needs}
                {s.hurts && <span className="hurts"> can hurt</span>}. {s.cue !== '' && `“${s.cue}” `}
                {s.requirements.join(', ')}
              </span>
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

/** Another correction than the rule names, with the reason that is kept. */
export function ChooseFocus({ view, done, leave }: Sheet) {
  const keyOf = (s: StudentView['slips'][number]) => `${s.pointId} ${s.side}`;
  const sheet = useCommandSheet({
    command: 'focus.give',
    schema: focusInput,
    start: { id: newId(), slip: '', reason: '' },
    make: ({ id, slip, reason }) => {
      const chosen = view.slips.find((s) => keyOf(s) === slip);
      return {
        id,
        studentId: view.student.id,
        pointId: chosen?.pointId ?? '',
        side: chosen?.side ?? 'none',
        day: view.today,
        chosen: true,
        reason,
      };
    },
    done,
  });
  return (
    <SheetForm
      sheet={sheet}
      title="Another thing to work on"
      saves="Let it be the one"
      disabled={sheet.form.watch('slip') === ''}
      leave={leave}
    >
      <ChoiceField
        name="slip"
        label="Work on"
        options={view.slips.map((s) => ({
          value: keyOf(s),
          word: `${s.point}${onSide(s.side)}: ${s.held} of ${s.of}`,
        }))}
      />
      <TextField name="reason" label="Why this one?" lines={2} />
    </SheetForm>
  );
}
