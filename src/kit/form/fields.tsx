import MenuItem from '@mui/material/MenuItem';
import MuiTextField from '@mui/material/TextField';
import { useId, type ReactNode } from 'react';
import { get, useController, useFormContext } from 'react-hook-form';
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
      value={(value) ?? ''}
      onChange={(e) => onChange(e.target.value)}
      {...(lines > 1 ? { multiline: true, minRows: lines } : {})}
    />
  );
}

/** A number; where the line is empty it is `empty`: null where nothing may stand, else not a number, which is refused. */
export function NumberField({
  name,
  label,
  help,
  id,
  empty = Number.NaN,
  times = 1,
  ...more
}: Common & {
  empty?: null | number;
  /** What is written is so many times smaller than what is shown: 100 for a share shown in hundredths. */
  times?: number;
  step?: number;
}) {
  const { value, onChange, shown } = useField(name, id, help);
  const said = typeof value === 'number' && !Number.isNaN(value) ? String(Math.round(value * times * 1e6) / 1e6) : '';
  return (
    <MuiTextField
      {...shown}
      label={label}
      type="number"
      value={said}
      slotProps={{ htmlInput: more.step === undefined ? {} : { step: more.step } }}
      onChange={(e) => onChange(e.target.value === '' ? empty : Number(e.target.value) / times)}
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
      value={(value) ?? ''}
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
