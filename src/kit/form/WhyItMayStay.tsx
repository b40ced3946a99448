import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { countOf } from '../../core';

const SHORTEST = 3;

/** Asks why something that a check found may stay; others of the same kind may stay for the same reason. */
export function WhyItMayStay({
  says,
  alike,
  leave,
  stays,
}: {
  /** What the button says. */
  says: string;
  /** So many others are of the same kind; 0 where each is to be thought of by itself. */
  alike: number;
  leave: () => void;
  /** Answers what went wrong, in words; null: it stays. */
  stays: (reason: string, all: boolean) => Promise<string | null> | string | null;
}) {
  const [reason, setReason] = useState('');
  const [all, setAll] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const short = reason.trim().length < SHORTEST;
  return (
    <form
      className="stack"
      noValidate
      onSubmit={(e) => {
        e.preventDefault();
        if (short) return setWrong('Say why: it is kept with it.');
        void Promise.resolve(stays(reason.trim(), all)).then(setWrong);
      }}
    >
      <TextField
        id="waive-reason"
        label="Why it may stay"
        autoFocus
        value={reason}
        onChange={(e) => setReason(e.target.value)}
        error={wrong !== null}
        helperText={wrong ?? 'It is kept, with your name and the day.'}
      />
      {alike > 0 && (
        <FormControlLabel
          control={<Checkbox checked={all} onChange={(_, on) => setAll(on)} />}
          label={`and ${countOf(alike, 'other', 'others')} of this kind, for the same reason`}
        />
      )}
      <div className="row">
        <Button type="submit" variant="contained">
          {says}
        </Button>
        <Button onClick={leave}>Back</Button>
      </div>
    </form>
  );
}
