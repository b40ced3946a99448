import TextField from '@mui/material/TextField';

/** As long as somebody speaks in about two minutes: the keyboard's microphone writes it down. */
export const NOTE_LENGTH = 2000;

/** A note of a look, typed or spoken into the keyboard; it is on the device with every letter. */
export const NoteField = ({ note, onNote }: { note: string; onNote: (note: string) => void }) => (
  <TextField
    id="note"
    value={note}
    onChange={(e) => onNote(e.target.value)}
    placeholder="A note: type it, or speak it into the keyboard’s microphone"
    multiline
    maxRows={5}
    slotProps={{ htmlInput: { 'aria-label': 'Note', maxLength: NOTE_LENGTH } }}
    autoFocus
  />
);
