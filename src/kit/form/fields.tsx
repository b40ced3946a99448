import Autocomplete from '@mui/material/Autocomplete';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import MuiTextField from '@mui/material/TextField';
import { useId, useState, type ReactNode } from 'react';
import { get, useController, useFormContext } from 'react-hook-form';
import { clockInWords, dateInWords, readClock, readDate } from '../../core';
import { Switch } from '../Switch';

interface Common {
  /** Its path in what is written, as `limits.ages.weapons`. */
  name: string;
  label: string;
  /** Said below it while nothing is wrong. */
  help?: ReactNode;
  id?: string;
}

/** What a field binds to; one that stands for nothing is a mistake of ours. */
function useField(name: string, id: string | undefined, help: ReactNode) {
  const { control } = useFormContext();
  const { field, fieldState, formState } = useController({ name, control });
  const own = useId();
  if (field.value === undefined && get(formState.defaultValues, name) === undefined)
    throw new Error(`No field of this form is called ${name}.`);
  const message = fieldState.error?.message;
  const { ref, onBlur } = field;
  return {
    value: field.value as unknown,
    onChange: field.onChange as (value: unknown) => void,
    shown: {
      id: id ?? own,
      inputRef: ref,
      onBlur,
      error: message !== undefined,
      helperText: message ?? help,
    },
  };
}

/** A line, or several where `lines` says so. Dates are typed as people write them: the schema reads them. */
export function TextField({
  name,
  label,
  help,
  id,
  lines = 1,
  ...more
}: Common & {
  lines?: number;
  placeholder?: string;
  type?: 'text' | 'password' | 'email';
  autoComplete?: string;
  disabled?: boolean;
  autoFocus?: boolean;
}) {
  const { value, onChange, shown } = useField(name, id, help);
  return (
    <MuiTextField
      {...shown}
      {...more}
      label={label}
      value={value ?? ''}
      onChange={(e) => onChange(e.target.value)}
      {...(lines > 1 ? { multiline: true, minRows: lines } : {})}
    />
  );
}

const sameNumber = (a: unknown, b: unknown) => a === b || (Number.isNaN(a) && Number.isNaN(b));

/**
 * A number as people type it, with a point or a comma; an empty line is `empty`: null where nothing may stand, else not a
 * number, which is refused.
 */
export function NumberField({
  name,
  label,
  help,
  id,
  empty = Number.NaN,
  times = 1,
}: Common & {
  empty?: null | number;
  /** What is written is so many times smaller than what is shown: 100 for a share shown in hundredths. */
  times?: number;
}) {
  const { value, onChange, shown } = useField(name, id, help);
  const inText = (x: unknown) =>
    typeof x === 'number' && !Number.isNaN(x) ? String(Math.round(x * times * 1e6) / 1e6) : '';
  const read = (typed: string) => (typed.trim() === '' ? empty : Number(typed.trim().replace(',', '.')) / times);
  const [typed, setTyped] = useState(() => inText(value));
  return (
    <MuiTextField
      {...shown}
      label={label}
      // What the form was given from elsewhere shows; what is typed stays as it was typed.
      value={sameNumber(read(typed), value ?? null) || Number.isNaN(value) ? typed : inText(value)}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(read(e.target.value));
      }}
    />
  );
}

/** A day, typed as people write it and said back in words; an empty line is no day where `none` says that may be. */
export function DateField({
  name,
  label,
  help,
  id,
  none = false,
  notAfter,
}: Common & {
  none?: boolean;
  /** Of days that are over: a year of two digits is read as the last such one. */
  notAfter?: string;
}) {
  const { value, onChange, shown } = useField(name, id, help);
  const inText = (x: unknown) => (typeof x === 'string' ? dateInWords(x) : '');
  const [typed, setTyped] = useState(() => inText(value));
  return (
    <MuiTextField
      {...shown}
      label={label}
      value={typed}
      onChange={(e) => {
        setTyped(e.target.value);
        const day = readDate(e.target.value, notAfter);
        onChange(none && e.target.value.trim() === '' ? null : day.ok ? day.value : e.target.value);
      }}
      onBlur={() => {
        const day = readDate(typed, notAfter);
        if (day.ok) setTyped(dateInWords(day.value));
        shown.onBlur();
      }}
    />
  );
}

/** One of many, found by typing; what is written is its id. */
export function PickField({
  name,
  label,
  help,
  id,
  options,
  groupBy,
}: Common & {
  options: readonly { id: string; name: string; group?: string }[];
  groupBy?: boolean;
}) {
  const { value, onChange, shown } = useField(name, id, help);
  const { error, helperText, ...more } = shown;
  return (
    <Autocomplete
      id={more.id}
      options={[...options]}
      getOptionKey={(o) => o.id}
      getOptionLabel={(o) => o.name}
      {...(groupBy ? { groupBy: (o: { group?: string }) => o.group ?? '' } : {})}
      value={options.find((o) => o.id === value) ?? null}
      onChange={(_, o) => onChange(o?.id ?? null)}
      onBlur={more.onBlur}
      renderInput={(p) => (
        <MuiTextField {...p} inputRef={more.inputRef} label={label} error={error} helperText={helperText} />
      )}
    />
  );
}

/** Several of many, found by typing, in the order in which they were chosen; what is written are their ids. */
export function PickManyField({
  name,
  label,
  help,
  id,
  options,
}: Common & { options: readonly { id: string; name: string }[] }) {
  const { value, onChange, shown } = useField(name, id, help);
  const { error, helperText, ...more } = shown;
  const known = new Map(options.map((o) => [o.id, o]));
  return (
    <Autocomplete
      multiple
      id={more.id}
      options={[...options]}
      getOptionKey={(o) => o.id}
      getOptionLabel={(o) => o.name}
      value={(value as string[]).flatMap((x) => known.get(x) ?? [])}
      onChange={(_, list) => onChange(list.map((o) => o.id))}
      onBlur={more.onBlur}
      renderInput={(p) => (
        <MuiTextField {...p} inputRef={more.inputRef} label={label} error={error} helperText={helperText} />
      )}
    />
  );
}

/** Yes or no in one box. */
export function CheckField({ name, label }: { name: string; label: ReactNode }) {
  const { value, onChange } = useField(name, undefined, undefined);
  return (
    <FormControlLabel
      control={<Checkbox checked={value === true} onChange={(_, on) => onChange(on)} />}
      label={label}
    />
  );
}

type Option<T extends string> = T | { value: T; word: string };
const optionOf = <T extends string>(o: Option<T>) => (typeof o === 'string' ? { value: o, word: o } : o);

/** One of a list; `none` is what null is called, where nothing may be chosen. */
export function ChoiceField<T extends string>({
  name,
  label,
  help,
  id,
  options,
  none,
}: Common & { options: readonly Option<T>[]; none?: string }) {
  const { value, onChange, shown } = useField(name, id, help);
  return (
    <MuiTextField
      {...shown}
      select
      label={label}
      value={value ?? ''}
      onChange={(e) => onChange(e.target.value === '' && none !== undefined ? null : e.target.value)}
    >
      {none !== undefined && <MenuItem value="">{none}</MenuItem>}
      {options.map(optionOf).map((o) => (
        <MenuItem key={o.value} value={o.value}>
          {o.word}
        </MenuItem>
      ))}
    </MuiTextField>
  );
}

/** One of a few, all in sight. What is written may be no text: a yes or no. */
export function SwitchField<T extends string | boolean>({
  name,
  label,
  options,
}: {
  name: string;
  label: string;
  options: readonly { value: T; word: string }[];
}) {
  const { value, onChange } = useField(name, undefined, undefined);
  return (
    <Switch
      label={label}
      value={String(value)}
      onChange={(to) => onChange(options.find((o) => String(o.value) === to)!.value)}
      options={options.map((o) => ({ value: String(o.value), word: o.word }))}
    />
  );
}

/** Several words in one line, parted by commas; nothing at all is null where `none` says so. */
export function ListField({ name, label, help, id, none = false }: Common & { none?: boolean }) {
  const { value, onChange, shown } = useField(name, id, help);
  const said = Array.isArray(value) ? value.join(', ') : typeof value === 'string' ? value : '';
  return (
    <MuiTextField
      {...shown}
      label={label}
      defaultValue={said}
      onChange={(e) => {
        const words = e.target.value
          .split(',')
          .map((x) => x.trim())
          .filter(Boolean);
        onChange(words.length === 0 && none ? null : words);
      }}
    />
  );
}

/** A time of day, typed as people write it; what is written is minutes since midnight. */
export function ClockField({ name, label, help, id }: Common) {
  const { value, onChange, shown } = useField(name, id, help);
  const [typed, setTyped] = useState(() => (typeof value === 'number' ? clockInWords(value) : ''));
  return (
    <MuiTextField
      {...shown}
      label={label}
      value={typed}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(readClock(e.target.value) ?? Number.NaN);
      }}
      onBlur={() => {
        const at = readClock(typed);
        if (at !== null) setTyped(clockInWords(at));
        shown.onBlur();
      }}
    />
  );
}
