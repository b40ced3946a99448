import { valibotResolver } from '@hookform/resolvers/valibot';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import { Controller, useFieldArray, useForm, useWatch, type Control, type FieldPath } from 'react-hook-form';
import { NO_DETAIL } from '../../contracts/stored/technique';
import { storedTechniqueDraft } from '../../contracts/stored/techniqueDraft';
import { techniqueInput, type TechniqueInput } from '../../contracts/technique';
import { BODY_PARTS, HURTS, POINT_KINDS, TECHNIQUE_KINDS, UNITS } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { dropFromDevice, keepOnDevice, readFromDevice } from '../../kit/onDevice';
import { newId } from '../../kit/send';
import { useSideBySide } from '../../kit/sideBySide/useSideBySide';
import { DetailFields } from './DetailFields';
import { techniquePlace } from './techniquePlace';

type Form = Control<TechniqueInput>;
type Named = { id: string; name: string };

const HURT_WORDS = { nobody: 'hurts nobody', self: 'can hurt oneself', partner: 'can hurt the partner' };
const KIND_WORDS = { seen: 'seen', measured: 'measured', counted: 'counted', felt: 'felt, told by the receiver' };

const emptyPoint = (): TechniqueInput['points'][number] => ({
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

function Text({
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

const options = (words: readonly string[], say: Record<string, string> = {}) =>
  words.map((w) => (
    <MenuItem key={w} value={w}>
      {say[w] ?? w}
    </MenuItem>
  ));

function PointFields({
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
        <Text control={control} name={`points.${i}.name`} label="What one looks at" />
        <Text control={control} name={`points.${i}.bodyPart`} label="Where on the body" select>
          {options(BODY_PARTS)}
        </Text>
        <Text control={control} name={`points.${i}.kind`} label="How it is known" select>
          {options(POINT_KINDS, KIND_WORDS)}
        </Text>
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
          <Text control={control} name={`points.${i}.unit`} label="Unit" select>
            {options(UNITS)}
          </Text>
          <RangeFields control={control} name={`points.${i}.accepted`} label="Accepted" />
          <RangeFields control={control} name={`points.${i}.wanted`} label="Wanted" />
        </div>
      )}
      <div className="fields two">
        <Text control={control} name={`points.${i}.how`} label="How it is right" />
        <Text control={control} name={`points.${i}.why`} label="Why" />
      </div>
      {slips.fields.map((s, k) => (
        <div key={s.key} className="line stack" style={{ paddingTop: 10 }}>
          <div className="fields two">
            <Text control={control} name={`points.${i}.slips.${k}.looksLike`} label={`Slip ${k + 1} looks like`} />
            <Text control={control} name={`points.${i}.slips.${k}.cause`} label="Its cause" />
          </div>
          <div className="fields three">
            <Text control={control} name={`points.${i}.slips.${k}.cue`} label="The cue that mends it" />
            <Text control={control} name={`points.${i}.slips.${k}.hurts`} label="Whom it can hurt" select>
              {options(HURTS, HURT_WORDS)}
            </Text>
            <Text control={control} name={`points.${i}.slips.${k}.hurtsHow`} label="What it can hurt" />
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
function errorAtPath(errors: unknown, path: string): string | undefined {
  let at: unknown = errors;
  for (const key of path.split('.'))
    at = typeof at === 'object' && at !== null ? (at as Record<string, unknown>)[key] : undefined;
  const message = typeof at === 'object' && at !== null ? (at as { message?: unknown }).message : undefined;
  return typeof message === 'string' ? message : undefined;
}

/** Writes a technique with its points and slips. What is typed stays on the device until it is saved. */
export default function TechniqueForm({
  start,
  version,
  stances,
  steps,
  others,
  isNew,
}: {
  start: TechniqueInput;
  /** The version that is changed here; none for a new one. */
  version?: number;
  stances: Named[];
  steps: Named[];
  others: Named[];
  isNew: boolean;
}) {
  const kept = `stavewright-technique-${isNew ? 'new' : start.id}`;
  const { control, handleSubmit, setError, reset, formState } = useForm<TechniqueInput>({
    defaultValues: start,
    resolver: valibotResolver(techniqueInput),
  });
  const points = useFieldArray({ control, name: 'points', keyName: 'key' });
  const [wrong, setWrong] = useState('');
  const [base, setBase] = useState({ was: start, version, now: start });
  const { save: sendIt, meeting } = useSideBySide('technique.save', {
    title: `Which ${start.name.toLowerCase()} shall stand?`,
    nameOf: (path) => techniquePlace(path, [base.was, base.now]),
    inDialog: false,
    leave: 'Keep mine as a draft',
    done: () => {
      dropFromDevice(kept);
      location.assign(`/techniques/${start.id}`);
    },
  });
  const [found, setFound] = useState(false);
  const all = useWatch({ control });

  useEffect(() => {
    const draft = readFromDevice(kept, storedTechniqueDraft);
    if (!draft) return;
    // A draft goes on from what it began with: what others saved since is shown when it is saved.
    // eslint-disable-next-line react-hooks/set-state-in-effect -- what the device kept is found once, after hydration
    setBase({ was: draft.was ?? start, version: draft.version ?? version, now: draft.now });
    reset(draft.now, { keepDefaultValues: true });
    setFound(true);
  }, [kept, reset, start, version]);
  useEffect(() => {
    if (formState.isDirty)
      keepOnDevice(kept, storedTechniqueDraft, {
        was: base.was,
        version: base.version ?? null,
        now: all as TechniqueInput,
      });
  }, [all, base, kept, formState.isDirty]);

  const save = handleSubmit(
    async (t) => {
      setWrong('');
      setBase({ ...base, now: t });
      const answer = await sendIt(base.was, t, base.version);
      if (answer.ok) {
        dropFromDevice(kept);
        location.assign(`/techniques/${t.id}`);
        return;
      }
      if (answer.meanwhile) return;
      for (const e of answer.errors) setError(e.path as FieldPath<TechniqueInput>, { message: e.message });
      setWrong(answer.title);
    },
    () => setWrong('Some fields need a look; each says what is wrong.'),
  );
  if (meeting) return <IslandRoot>{meeting}</IslandRoot>;
  return (
    <IslandRoot>
      <form onSubmit={(e) => void save(e)} noValidate>
        <div className="title">
          <div>
            <h1>{isNew ? 'What is the new technique?' : `What changes in ${start.name.toLowerCase()}?`}</h1>
            <p className="sub">Write points from the ground up: first what one sees at the feet.</p>
          </div>
          <div className="actions">
            <a className="button" href={isNew ? '/techniques' : `/techniques/${start.id}`}>
              Leave it
            </a>
            <Button type="submit" variant="contained" disabled={formState.isSubmitting}>
              {formState.isSubmitting ? 'Saving…' : 'Save it'}
            </Button>
          </div>
        </div>
        <div role="alert">
          {wrong !== '' && (
            <p className="message wrong" style={{ marginBottom: 12 }}>
              {wrong}
            </p>
          )}
        </div>
        {found && (
          <p className="message" style={{ marginBottom: 12 }}>
            Here is what you typed last time and did not save.{' '}
            <Button
              variant="text"
              onClick={() => {
                dropFromDevice(kept);
                setBase({ was: start, version, now: start });
                reset(start);
                setFound(false);
              }}
            >
              Begin from what is saved
            </Button>
          </p>
        )}
        <div className="stack" style={{ gap: 16 }}>
          <div className="fields">
            <Text control={control} name="name" label="Name" />
            <Text control={control} name="kind" label="Kind" select>
              {options(TECHNIQUE_KINDS)}
            </Text>
            <Text control={control} name="stanceId" label="Stands in" select>
              <MenuItem value="">no stance of its own</MenuItem>
              {stances.map((s) => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
            </Text>
            <Text control={control} name="stepId" label="Step or turn" select>
              <MenuItem value="">in place</MenuItem>
              {steps.map((s) => (
                <MenuItem key={s.id} value={s.id}>
                  {s.name}
                </MenuItem>
              ))}
            </Text>
          </div>
          <div className="fields wide">
            <Text control={control} name="summary" label="In one sentence" />
            <Controller
              control={control}
              name="sided"
              render={({ field }) => (
                <FormControlLabel
                  sx={{ mt: 5 }}
                  control={<Checkbox checked={field.value} onChange={(e) => field.onChange(e.target.checked)} />}
                  label="left and right are two things"
                />
              )}
            />
          </div>
          <p className="sub">The points of its stance and step are looked at too; they are written there, once.</p>
          {points.fields.map((p, i) => (
            <PointFields
              key={p.key}
              control={control}
              i={i}
              last={i === points.fields.length - 1}
              move={(by) => points.swap(i, i + by)}
              remove={() => points.remove(i)}
            />
          ))}
          <div>
            <Button onClick={() => points.append(emptyPoint())}>Add a point</Button>
          </div>
          <Controller
            control={control}
            name="detail"
            render={({ field }) => (
              <DetailFields
                value={field.value ?? NO_DETAIL}
                onChange={field.onChange}
                kind={all.kind ?? ''}
                name={all.name ?? ''}
                points={(all.points ?? []).map((p) => ({ id: p.id ?? '', name: p.name ?? '' }))}
                others={others}
                errorAt={(path) => errorAtPath(formState.errors, path)}
              />
            )}
          />
          <p className="second">
            A point that somebody was marked on stays in the record when it is left out. A slip that can hurt is shown
            wherever the point is looked at; what is allowed with minors and with weapons, your federation, insurer and
            local law decide.
          </p>
        </div>
      </form>
      <style>{`
        .fields { display: grid; grid-template-columns: 2fr 1fr 1fr 1fr; gap: 12px; align-items: start; }
        .fields.two { grid-template-columns: 1fr 1fr; } .fields.three { grid-template-columns: 1fr 1fr 1fr; } .fields.wide { grid-template-columns: 3fr 1fr; }
        @media (max-width: 899px) { .fields, .fields.two, .fields.three, .fields.wide { grid-template-columns: minmax(0, 1fr); } }
      `}</style>
    </IslandRoot>
  );
}
