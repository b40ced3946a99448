import Autocomplete from '@mui/material/Autocomplete';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import MuiTextField from '@mui/material/TextField';
import { dequal } from 'dequal';
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
  // What is wrong with one of a list is said at the list.
  const { error } = fieldState;
  const message = Array.isArray(error)
    ? (error as ({ message?: string } | undefined)[]).find((e) => e !== undefined)?.message
    : error?.message;
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
  lang,
  ...more
}: Common & {
  lines?: number;
  /** The language that is written in it, where that is not the page's: it chooses the letters' shapes. */
  lang?: string | undefined;
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
      {...(lang ? { slotProps: { htmlInput: { lang } } } : {})}
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

/** What is typed as people write it and said back when one leaves it; `read` gives null where it is none. */
function SaidBackField<T extends string | number>({
  field: { value, onChange, shown },
  label,
  said,
  read,
  write,
}: {
  field: ReturnType<typeof useField>;
  label: string;
  said: (value: T) => string;
  read: (typed: string) => T | null;
  /** What is written for what was typed; left out: what was read, or what was typed, for the schema to refuse. */
  write?: (typed: string) => unknown;
}) {
  const [typed, setTyped] = useState(() => (value === null || value === undefined ? '' : said(value as T)));
  return (
    <MuiTextField
      {...shown}
      label={label}
      value={typed}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(write ? write(e.target.value) : (read(e.target.value) ?? e.target.value));
      }}
      onBlur={() => {
        const found = read(typed);
        if (found !== null) setTyped(said(found));
        shown.onBlur();
      }}
    />
  );
}

/** A day; an empty line is no day where `none` says that may be. */
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
  const read = (typed: string) => {
    const day = readDate(typed, notAfter);
    return day.ok ? day.value : null;
  };
  return (
    <SaidBackField<string>
      field={useField(name, id, help)}
      label={label}
      said={(day) => dateInWords(day)}
      read={read}
      write={(typed) => (none && typed.trim() === '' ? null : (read(typed) ?? typed))}
    />
  );
}

/** A time of day; what is written is minutes since midnight. */
export const ClockField = ({ name, label, help, id }: Common) => (
  <SaidBackField<number>
    field={useField(name, id, help)}
    label={label}
    said={clockInWords}
    read={readClock}
    write={(typed) => readClock(typed) ?? Number.NaN}
  />
);

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

/** Several words in one line, parted by commas, each as `read` gives it; nothing at all is null where `none` says so. */
export function ListField({
  name,
  label,
  help,
  id,
  none = false,
  read = (word) => word,
}: Common & { none?: boolean; read?: (word: string) => unknown }) {
  const { value, onChange, shown } = useField(name, id, help);
  const inText = Array.isArray(value) ? value.join(', ') : typeof value === 'string' ? value : '';
  const readAll = (text: string) => {
    const words = text
      .split(',')
      .map((x) => x.trim())
      .filter(Boolean);
    return words.length === 0 && none ? null : words.map(read);
  };
  const [typed, setTyped] = useState(inText);
  return (
    <MuiTextField
      {...shown}
      label={label}
      // What the form was given from elsewhere shows; what is typed stays as it was typed.
      value={typeof value === 'string' || dequal(readAll(typed), value) ? typed : inText}
      onChange={(e) => {
        setTyped(e.target.value);
        onChange(readAll(e.target.value));
      }}
    />
  );
}
