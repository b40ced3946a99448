import TextField from '@mui/material/TextField';
import { useState } from 'react';

/** A number as it is typed; what is none, or out of bounds, is not taken and said so. */
export function Measure({
  label,
  value,
  lo,
  hi,
  onChange,
}: {
  label: string;
  value: number;
  lo: number;
  hi: number;
  onChange: (n: number) => void;
}) {
  const [typed, setTyped] = useState(String(value));
  const n = Number(typed.replace(',', '.'));
  const wrong = typed.trim() === '' || Number.isNaN(n) || n < lo || n > hi;
  return (
    <TextField
      label={label}
      value={Number(typed.replace(',', '.')) === value || wrong ? typed : String(value)}
      error={wrong}
      helperText={wrong ? `From ${lo} to ${hi}.` : undefined}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      onChange={(e) => {
        setTyped(e.target.value);
        const next = Number(e.target.value.replace(',', '.'));
        if (e.target.value.trim() !== '' && !Number.isNaN(next) && next >= lo && next <= hi) onChange(next);
      }}
    />
  );
}
