import Button from '@mui/material/Button';
import MuiTextField from '@mui/material/TextField';
import { useController, useFieldArray, useFormContext, useWatch } from 'react-hook-form';
import { type TechniqueInput } from '../../contracts/technique';
import { BODY_PARTS, HURTS, MEASURES, POINT_KINDS, UNITS, waysToMeasure } from '../../core';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { newId } from '../../kit/send';

const KIND_WORDS = {
  seen: 'seen',
  measured: 'measured',
  counted: 'counted',
  felt: 'felt, told by the receiver',
};

const HURT_WORDS = { nobody: 'hurts nobody', self: 'can hurt oneself', partner: 'can hurt the partner' };

const READ_WORDS = Object.fromEntries(
  MEASURES.map((m) => [m.key, `${m.key}, on a picture from ${m.view === 'above' ? 'above' : `the ${m.view}`}`]),
);

export const emptyPoint = (): TechniqueInput['points'][number] => ({
  id: newId(),
  name: '',
  how: '',
  why: '',
  kind: 'seen',
  bodyPart: 'feet',
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
});

const emptySlip = (): TechniqueInput['points'][number]['slips'][number] => ({
  id: newId(),
  looksLike: '',
  cause: '',
  cue: '',
  hurts: 'nobody',
  hurtsHow: '',
});

/** A range as two fields; both empty is no range. */
function RangeFields({
  name,
  label,
}: {
  name: `points.${number}.accepted` | `points.${number}.wanted`;
  label: string;
}) {
  const { control } = useFormContext<TechniqueInput>();
  const { field, fieldState } = useController({ control, name });
  const set = (end: 'lo' | 'hi', text: string) => {
    const n = text === '' ? Number.NaN : Number(text);
    const next = { lo: field.value?.lo ?? Number.NaN, hi: field.value?.hi ?? Number.NaN, [end]: n };
    field.onChange(Number.isNaN(next.lo) && Number.isNaN(next.hi) ? null : next);
  };
  const shown = (n: number | undefined) => (n === undefined || Number.isNaN(n) ? '' : n);
  const error = fieldState.error as
    | { message?: string; lo?: { message?: string }; hi?: { message?: string } }
    | undefined;
  const wrong = error?.message ?? error?.lo?.message ?? error?.hi?.message;
  return (
    <div className="row" style={{ alignItems: 'flex-start' }}>
      <MuiTextField
        id={`${name}.lo`}
        label={`${label} from`}
        type="number"
        value={shown(field.value?.lo)}
        onChange={(e) => set('lo', e.target.value)}
        error={!!error}
        helperText={wrong && 'lo' in (error ?? {}) ? 'A range has two numbers.' : wrong}
        slotProps={{ htmlInput: { step: 'any' } }}
      />
      <MuiTextField
        id={`${name}.hi`}
        label="to"
        type="number"
        value={shown(field.value?.hi)}
        onChange={(e) => set('hi', e.target.value)}
        error={!!error}
        slotProps={{ htmlInput: { step: 'any', 'aria-label': `${label} to` } }}
      />
    </div>
  );
}

const said = <T extends string>(words: readonly T[], say: Readonly<Record<string, string>>) =>
  words.map((value) => ({ value, word: say[value] ?? value }));

export function PointFields({
  i,
  last,
  move,
  remove,
}: {
  i: number;
  last: boolean;
  move: (by: number) => void;
  remove: () => void;
}) {
  const { control } = useFormContext<TechniqueInput>();
  const kind = useWatch({ control, name: `points.${i}.kind` });
  const name = useWatch({ control, name: `points.${i}.name` });
  const unit = useWatch({ control, name: `points.${i}.unit` });
  const measuredBy = useWatch({ control, name: `points.${i}.measuredBy` });
  const slips = useFieldArray({ control, name: `points.${i}.slips`, keyName: 'key' });
  return (
    <fieldset className="sheet stack">
      <legend className="hidden">Point {i + 1}</legend>
      <div className="spread">
        <h2>
          {i + 1} {name || 'A new point'}
        </h2>
        <div className="row">
          <Button variant="text" onClick={() => move(1)} disabled={last} aria-label={`Move point ${i + 1} up the body`}>
            up
          </Button>
          <Button
            variant="text"
            onClick={() => move(-1)}
            disabled={i === 0}
            aria-label={`Move point ${i + 1} down the body`}
          >
            down
          </Button>
          <Button variant="text" onClick={remove} aria-label={`Leave out point ${i + 1}`}>
            leave out
          </Button>
        </div>
      </div>
      <div className="fields">
        <TextField name={`points.${i}.name`} label="What one looks at" />
        <ChoiceField name={`points.${i}.bodyPart`} label="Where on the body" options={BODY_PARTS} />
        <ChoiceField name={`points.${i}.kind`} label="How it is known" options={said(POINT_KINDS, KIND_WORDS)} />
        <CheckField name={`points.${i}.critical`} label="critical" />
      </div>
      {kind === 'measured' && (
        <div className="fields three">
          <ChoiceField name={`points.${i}.unit`} label="Unit" options={UNITS} />
          <RangeFields name={`points.${i}.accepted`} label="Accepted" />
          <RangeFields name={`points.${i}.wanted`} label="Wanted" />
          {(waysToMeasure(unit).length > 0 || measuredBy) && (
            <ChoiceField
              name={`points.${i}.measuredBy`}
              label="Read off"
              options={said([...new Set([...waysToMeasure(unit), ...(measuredBy ? [measuredBy] : [])])], READ_WORDS)}
              none="by hand, or as it is chosen at the mat"
            />
          )}
        </div>
      )}
      <div className="fields two">
        <TextField name={`points.${i}.how`} label="How it is right" />
        <TextField name={`points.${i}.why`} label="Why" />
      </div>
      {slips.fields.map((s, k) => (
        <div key={s.key} className="line stack" style={{ paddingTop: 10 }}>
          <div className="fields two">
            <TextField name={`points.${i}.slips.${k}.looksLike`} label={`Slip ${k + 1} looks like`} />
            <TextField name={`points.${i}.slips.${k}.cause`} label="Its cause" />
          </div>
          <div className="fields three">
            <TextField name={`points.${i}.slips.${k}.cue`} label="The cue that mends it" />
            <ChoiceField
              name={`points.${i}.slips.${k}.hurts`}
              label="Whom it can hurt"
              options={said(HURTS, HURT_WORDS)}
            />
            <TextField name={`points.${i}.slips.${k}.hurtsHow`} label="What it can hurt" />
          </div>
          <div>
            <Button variant="text" onClick={() => slips.remove(k)}>
              leave this slip out
            </Button>
          </div>
        </div>
      ))}
      <div>
        <Button onClick={() => slips.append(emptySlip())}>Add a slip</Button>
      </div>
    </fieldset>
  );
}
