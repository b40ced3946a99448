import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface Common {
  id: string;
  label: string;
  error?: boolean;
  helperText?: string | undefined;
}

/** One line of a sheet, or several where `lines` says so. */
export const Field = ({
  value,
  onValue,
  lines = 1,
  number = false,
  placeholder,
  ...common
}: Common & {
  value: string;
  onValue: (value: string) => void;
  lines?: number;
  number?: boolean;
  placeholder?: string;
}) => (
  <TextField
    {...common}
    value={value}
    onChange={(e) => onValue(e.target.value)}
    {...(number ? { type: 'number' } : {})}
    {...(lines > 1 ? { multiline: true, minRows: lines } : {})}
    {...(placeholder === undefined ? {} : { placeholder })}
  />
);

/** A choice of a sheet, by plain words or by what each stands for. */
export const Choice = <T extends string>({
  value,
  onValue,
  options,
  ...common
}: Common & {
  value: T;
  onValue: (value: T) => void;
  options: readonly (T | { value: T; word: string })[];
}) => (
  <TextField {...common} select value={value} onChange={(e) => onValue(e.target.value as T)}>
    {options.map((o) => {
      const { value: v, word } = typeof o === 'string' ? { value: o, word: o } : o;
      return (
        <MenuItem key={v} value={v}>
          {word}
        </MenuItem>
      );
    })}
  </TextField>
);
