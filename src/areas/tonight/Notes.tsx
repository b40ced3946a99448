import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { ClassNoteShown } from '../../contracts/views';
import type { TheNotes } from './useNotes';

/** What was noted in a class, block by block as it went. */
export const NoteList = ({ notes, onOut }: { notes: readonly ClassNoteShown[]; onOut?: (n: ClassNoteShown) => void }) =>
  notes.length === 0 ? null : (
    <ul className="class-notes">
      {notes.map((n) => (
        <li key={n.id}>
          <span>
            <b>{n.block}:</b> {n.said}
          </span>
          {onOut && (
            <Button variant="text" aria-label={`Take out: ${n.said}`} onClick={() => onOut(n)}>
              out
            </Button>
          )}
        </li>
      ))}
    </ul>
  );

/** A line about the block that runs; it stands with the class when it is closed. */
export function Notes({ block, notes }: { block: string; notes: TheNotes }) {
  const [said, setSaid] = useState('');
  const [wrong, setWrong] = useState('');
  const add = () => {
    const why = notes.add(block, said);
    setWrong(why);
    if (why === '') setSaid('');
  };
  return (
    <section aria-label="Notes of the class">
      <div className="row note-line">
        <TextField
          label={`Note on ${block}`}
          value={said}
          error={wrong !== ''}
          helperText={wrong}
          onChange={(e) => setSaid(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && add()}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
        <Button onClick={add} disabled={said.trim() === ''}>
          Note it
        </Button>
      </div>
      <NoteList notes={notes.notes} onOut={(n) => notes.remove(n)} />
    </section>
  );
}
