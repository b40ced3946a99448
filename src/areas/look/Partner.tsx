import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { KitStudent } from '../../kit/mat/line';

const NOBODY = '';

/** With whom it is done: the partner can then say what they felt. */
export const Partner = ({
  line,
  student,
  value,
  onPartner,
}: {
  line: readonly KitStudent[];
  student: KitStudent;
  value: string | null;
  onPartner: (id: string | null) => void;
}) => (
  <TextField
    id="partner"
    select
    label="With whom?"
    value={line.some((s) => s.id === value) ? value : NOBODY}
    onChange={(e) => onPartner(e.target.value === NOBODY ? null : e.target.value)}
    sx={{ width: 240 }}
  >
    <MenuItem value={NOBODY}>not said</MenuItem>
    {line
      .filter((s) => s.id !== student.id)
      .map((s) => (
        <MenuItem key={s.id} value={s.id}>
          {s.name}
        </MenuItem>
      ))}
  </TextField>
);
