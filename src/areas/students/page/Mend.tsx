import Autocomplete from '@mui/material/Autocomplete';
import MuiTextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { useWatch } from 'react-hook-form';
import * as v from 'valibot';
import { mendInput, moveInput } from '../../../contracts/struck';
import type { RollView, StudentLooksView } from '../../../contracts/views';
import { dateInWords, type Side } from '../../../core';
import { NumberField, SwitchField, TextField } from '../../../kit/form/fields';
import { SheetForm } from '../../../kit/form/SheetForm';
import { useCommandSheet } from '../../../kit/form/useSheet';
import { ask, newId } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import { onSide, type Sheet } from './sheet';
import { StrikeSheet } from '../../../kit/strike/Strike';
import { WhatFollows } from '../../../kit/strike/WhatFollows';

export type LookShown = StudentLooksView['looks'][number];
type How = 'right' | 'other' | 'strike';

/** A look that was wrong: its marks are put right, it becomes somebody else's, or it is struck. */
export function Mend({ look, ...sheet }: Sheet & { look: LookShown }) {
  const [how, setHow] = useState<How>(look.technique ? 'right' : 'strike');
  const says = `${look.item}${onSide(look.side)}, ${dateInWords(look.day)}`;
  return (
    <div className="stack">
      <Switch
        label="How is it mended?"
        value={how}
        onChange={setHow}
        options={[
          ...(look.technique ? [{ value: 'right' as const, word: 'put it right' }] : []),
          { value: 'other', word: 'somebody else’s' },
          { value: 'strike', word: 'strike it' },
        ]}
      />
      {how === 'right' ? (
        <PutRight {...sheet} look={look} says={says} />
      ) : how === 'other' ? (
        <SomebodyElses {...sheet} look={look} says={says} />
      ) : (
        <StrikeSheet
          {...sheet}
          studentId={sheet.view.student.id}
          seesAhead={sheet.view.may.look}
          thing={{ kind: 'look', id: look.id, says }}
        />
      )}
    </div>
  );
}

interface Mending extends Sheet {
  look: LookShown;
  says: string;
}

function PutRight({ look, says, done, leave }: Mending) {
  const marks = look.marks.filter((m) => m.sent !== null);
  const sheet = useCommandSheet<'look.mend'>({
    command: 'look.mend',
    schema: mendInput,
    start: {
      id: newId(),
      lookId: look.id,
      side: look.side,
      // Which repetition it was is not known any more once the number is another.
      marks: marks.map((m) => (m.sent!.kind === 'measured' ? m.sent! : { ...m.sent!, reps: null })),
      reason: '',
    },
    done,
  });
  const sides: Side[] = ['left', 'right'];
  const now = useWatch({ control: sheet.form.control });
  const readable = v.safeParse(mendInput, { ...now, reason: 'tried beforehand' }).success;
  return (
    <SheetForm sheet={sheet} title={says} label="Put it right" saves="Put it right" leave={leave}>
      {look.side !== 'none' && (
        <SwitchField name="side" label="Side" options={sides.map((s) => ({ value: s, word: s }))} />
      )}
      {marks.map((m, i) =>
        m.sent!.kind === 'measured' ? (
          m.sent!.values.map((_, k) => (
            <NumberField
              key={`${m.sent!.pointId} ${k}`}
              name={`marks.${i}.values.${k}`}
              label={`${m.point}, in ${m.unit ?? ''}`}
            />
          ))
        ) : (
          <NumberField key={m.sent!.pointId} name={`marks.${i}.held`} label={`${m.point}: held, of ${m.sent!.of}`} />
        ),
      )}
      <TextField name="reason" label="Because" />
      {readable && <WhatFollows name="look.mend" draft={now} />}
      <p className="second">
        The day and the hour stay. What was marked first stays readable, struck; a corrected measure takes its place.
      </p>
    </SheetForm>
  );
}

function SomebodyElses({ view, look, says, done, leave }: Mending) {
  const [roll, setRoll] = useState<RollView['students']>([]);
  const [wrong, setWrong] = useState('');
  useEffect(() => {
    let current = true;
    void ask('roll', {}).then((a) => {
      if (!current) return;
      if (a.ok) setRoll(a.view.students);
      else setWrong(a.title);
    });
    return () => {
      current = false;
    };
  }, []);
  const sheet = useCommandSheet<'look.move'>({
    command: 'look.move',
    schema: moveInput,
    start: { id: newId(), lookId: look.id, studentId: '', reason: '' },
    done,
  });
  const { form } = sheet;
  const chosen = roll.find((s) => s.id === form.watch('studentId')) ?? null;
  return (
    <SheetForm sheet={sheet} title={says} label="It was somebody else" saves="It was theirs" leave={leave}>
      <Autocomplete
        options={roll.filter((s) => s.id !== view.student.id)}
        getOptionKey={(s) => s.id}
        getOptionLabel={(s) => s.name}
        value={chosen}
        onChange={(_, s) => form.setValue('studentId', s?.id ?? '')}
        renderInput={(p) => (
          <MuiTextField
            {...p}
            label="Whose was it?"
            error={wrong !== '' || form.formState.errors.studentId !== undefined}
            helperText={wrong || (form.formState.errors.studentId ? 'Say whose it was.' : '')}
          />
        )}
      />
      <TextField name="reason" label="Because" />
      {chosen && (
        <WhatFollows name="look.move" draft={{ id: form.getValues('id'), lookId: look.id, studentId: chosen.id }} />
      )}
      <p className="second">It counts for them as it was marked, and no longer here.</p>
    </SheetForm>
  );
}
