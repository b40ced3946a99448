import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { dateInWords, readDate } from '../../../core';
import './AnotherDay.css';

/** What was seen on another day and is entered now: until it is taken back, everything is written down for that day. */
export function AnotherDay({
  day,
  today,
  onDay,
}: {
  /** Null: today. */
  day: string | null;
  today: string;
  onDay: (day: string | null) => void;
}) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState('');
  const take = () => {
    const read = readDate(typed);
    if (!read.ok) return setWrong(read.error);
    if (read.value >= today) return setWrong('That day is not over yet.');
    setOpen(false);
    setWrong('');
    onDay(read.value);
  };
  if (day !== null)
    return (
      <p className="another-day" role="status">
        <span>
          <b>Everything is written down for {dateInWords(day)}</b>, and marked as entered later.
        </span>
        <Button onClick={() => onDay(null)}>Back to today</Button>
      </p>
    );
  if (!open)
    return (
      <Button variant="text" onClick={() => setOpen(true)}>
        Looks of another day
      </Button>
    );
  return (
    <div className="another-day">
      <TextField
        label="Seen on"
        autoFocus
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onKeyDown={(e) => {
          if (e.key === 'Enter') take();
        }}
        error={wrong !== ''}
        helperText={wrong}
      />
      <Button onClick={take}>Write down for that day</Button>
      <Button variant="text" onClick={() => setOpen(false)}>
        Leave it
      </Button>
    </div>
  );
}
