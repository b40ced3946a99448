import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { countOf } from '../../core';

/** What is still open, before a sheet is closed. */
export function HandIn({
  open,
  onHandIn,
  leave,
}: {
  open: { marks: number; words: number };
  onHandIn: () => void;
  leave: () => void;
}) {
  const missing = [
    open.marks > 0 && `${countOf(open.marks, 'mark')} not seen`,
    open.words > 0 && `${countOf(open.words, 'word')} missing`,
  ].filter(Boolean);
  return (
    <section className="message" aria-label="Hand in?">
      <p>
        {missing.length === 0 ? 'Everything is marked.' : `Open: ${missing.join(', ')}. Not seen is allowed.`} Handed
        in, your sheet is closed; a correction then needs its reason.
      </p>
      <div className="row">
        <Button variant="contained" onClick={onHandIn}>
          Hand it in
        </Button>
        <Button onClick={leave}>Not yet</Button>
      </div>
    </section>
  );
}

/** Why a sheet is opened again that was handed in. */
export function PutRight({ onOpen, leave }: { onOpen: (why: string) => void; leave: () => void }) {
  const [why, setWhy] = useState('');
  return (
    <section className="message" aria-label="Put something right">
      <p>What you change is written beside what you handed in, with why; the panel reads both.</p>
      <TextField id="sheet-why" label="Why" value={why} onChange={(e) => setWhy(e.target.value)} />
      <div className="row">
        <Button variant="contained" disabled={why.trim().length < 3} onClick={() => onOpen(why.trim())}>
          Open my sheet
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}
