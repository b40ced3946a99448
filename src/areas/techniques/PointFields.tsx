import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { Controller, useFieldArray, useWatch, type Control, type FieldPath } from 'react-hook-form';
import { type TechniqueInput } from '../../contracts/technique';
import { BODY_PARTS, HURTS, MEASURES, POINT_KINDS, UNITS, waysToMeasure } from '../../core';
import { newId } from '../../kit/send';
import { KIND_WORDS } from './TechniqueForm';

type Form = Control<TechniqueInput>;

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

export function TextLine({
  control,
  name,
  label,
  ...more
}: {
  control: Form;
  name: FieldPath<TechniqueInput>;
  label: string;
  multiline?: boolean;
  helperText?: string;
  children?: React.ReactNode;
  select?: boolean;
  sx?: object;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => (
        <TextField
          {...more}
          id={name}
          label={label}
          name={field.name}
          inputRef={field.ref}
          onBlur={field.onBlur}
          value={field.value ?? ''}
          onChange={(e) => field.onChange(more.select && e.target.value === '' ? null : e.target.value)}
          error={!!fieldState.error}
          helperText={fieldState.error?.message ?? more.helperText}
        />
      )}
    />
  );
}

/** A range as two fields; both empty is no range. */
function RangeFields({
  control,
  name,
  label,
}: {
  control: Form;
  name: `points.${number}.accepted` | `points.${number}.wanted`;
  label: string;
}) {
  return (
    <Controller
      control={control}
      name={name}
      render={({ field, fieldState }) => {
        const set = (end: 'lo' | 'hi', text: string) => {
          const n = text === '' ? Number.NaN : Number(text);
          const next = { lo: field.value?.lo ?? Number.NaN, hi: field.value?.hi ?? Number.NaN, [end]: n };
          field.onChange(Number.isNaN(next.lo) && Number.isNaN(next.hi) ? null : next);
        };
        const shown = (n: number | undefined) => (n === undefined || Number.isNaN(n) ? '' : n);
        const error = fieldState.error as
          { message?: string; lo?: { message?: string }; hi?: { message?: string } } | undefined;
        const said = error?.message ?? error?.lo?.message ?? error?.hi?.message;
        return (
          <div className="row" style={{ alignItems: 'flex-start' }}>
            <TextField
              id={`${name}.lo`}
              label={`${label} from`}
              type="number"
              value={shown(field.value?.lo)}
              onChange={(e) => set('lo', e.target.value)}
              error={!!error}
              helperText={said && 'lo' in (error ?? {}) ? 'A range has two numbers.' : said}
              slotProps={{ htmlInput: { step: 'any' } }}
            />
            <TextField
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
      }}
    />
  );
}

export const options = (words: readonly string[], say: Record<string, string> = {}) =>
  words.map((w) => (
    <MenuItem key={w} value={w}>
      {say[w] ?? w}
    </MenuItem>
  ));

export function PointFields({
  control,
  i,
  last,
  move,
  remove,
}: {
  control: Form;
  i: number;
  last: boolean;
  move: (by: number) => void;
  remove: () => void;
}) {
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
        <TextLine control={control} name={`points.${i}.name`} label="What one looks at" />
        <TextLine control={control} name={`points.${i}.bodyPart`} label="Where on the body" select>
          {options(BODY_PARTS)}
        </TextLine>
        <TextLine control={control} name={`points.${i}.kind`} label="How it is known" select>
          {options(POINT_KINDS, KIND_WORDS)}
        </TextLine>
        <Controller
          control={control}
          name={`points.${i}.critical`}
          render={({ field }) => (
            <FormControlLabel
              sx={{ mt: 5 }}
              control={<Checkbox checked={field.value} onChange={(e) => field.onChange(e.target.checked)} />}
              label="critical"
            />
          )}
        />
      </div>
      {kind === 'measured' && (
        <div className="fields three">
          <TextLine control={control} name={`points.${i}.unit`} label="Unit" select>
            {options(UNITS)}
          </TextLine>
          <RangeFields control={control} name={`points.${i}.accepted`} label="Accepted" />
          <RangeFields control={control} name={`points.${i}.wanted`} label="Wanted" />
          {(waysToMeasure(unit).length > 0 || measuredBy) && (
            <TextLine control={control} name={`points.${i}.measuredBy`} label="Read off" select>
              <MenuItem value="">by hand, or as it is chosen at the mat</MenuItem>
              {options([...new Set([...waysToMeasure(unit), ...(measuredBy ? [measuredBy] : [])])], READ_WORDS)}
            </TextLine>
          )}
        </div>
      )}
      <div className="fields two">
        <TextLine control={control} name={`points.${i}.how`} label="How it is right" />
        <TextLine control={control} name={`points.${i}.why`} label="Why" />
      </div>
      {slips.fields.map((s, k) => (
        <div key={s.key} className="line stack" style={{ paddingTop: 10 }}>
          <div className="fields two">
            <TextLine control={control} name={`points.${i}.slips.${k}.looksLike`} label={`Slip ${k + 1} looks like`} />
            <TextLine control={control} name={`points.${i}.slips.${k}.cause`} label="Its cause" />
          </div>
          <div className="fields three">
            <TextLine control={control} name={`points.${i}.slips.${k}.cue`} label="The cue that mends it" />
            <TextLine control={control} name={`points.${i}.slips.${k}.hurts`} label="Whom it can hurt" select>
              {options(HURTS, HURT_WORDS)}
            </TextLine>
            <TextLine control={control} name={`points.${i}.slips.${k}.hurtsHow`} label="What it can hurt" />
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

/** The message of a nested field, wherever the form put it. */
export function errorAtPath(errors: unknown, path: string): string | undefined {
  let at: unknown = errors;
  for (const key of path.split('.'))
    at = typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined;
  const message = typeof at === 'object' && at !== null ? (at as { message?: unknown }).message : undefined;
  return typeof message === 'string' ? message : undefined;
}
