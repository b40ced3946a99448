import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { nameParts, type KitStudent } from '../../kit/mat/line';
import './Handover.css';

/** The tablet in the hand of whoever felt it: one question, large answers, nothing else to be seen. */
export function Handover({
  point,
  student,
  partnerId,
  me,
  line,
  of,
  onTold,
  onBack,
}: {
  /** What is asked about; how it should be, where that is written down. */
  point: { name: string; how: string };
  student: KitStudent;
  /** Who received it, where that was said: they are asked first. */
  partnerId: string | null;
  /** Who teaches may have received it themselves. */
  me: { personId: string; name: string };
  line: readonly KitStudent[];
  of: number;
  onTold: (held: number, by: string) => void;
  onBack: () => void;
}) {
  const [by, setBy] = useState(partnerId ?? student.id);
  const [given] = nameParts(student.name);
  return (
    <div className="handover" role="dialog" aria-modal="true" aria-label="What did you feel?">
      <p>
        {by === student.id ? `${given}, this is about your own work.` : `This is about ${given}’s work on you.`} Only
        you can tell.
      </p>
      <h1>{point.name}</h1>
      {point.how !== '' && <p>{point.how}.</p>}
      <TextField
        id="told-by"
        select
        label="Who answers?"
        value={by}
        onChange={(e) => setBy(e.target.value)}
        sx={{ maxWidth: 360 }}
      >
        {[student, ...line.filter((s) => s.id !== student.id)].map((s) => (
          <MenuItem key={s.id} value={s.id}>
            {s.name}
            {s.id === student.id ? ', who did it' : ''}
          </MenuItem>
        ))}
        <MenuItem value={me.personId}>{me.name}, who teaches</MenuItem>
      </TextField>
      <h2>{of === 1 ? 'Was it so?' : `In how many of the ${of} was it so?`}</h2>
      <div className="answers">
        {of === 1 ? (
          <>
            <ButtonBase onClick={() => onTold(1, by)}>Yes</ButtonBase>
            <ButtonBase onClick={() => onTold(0, by)}>No</ButtonBase>
          </>
        ) : (
          Array.from({ length: of + 1 }, (_, n) => (
            <ButtonBase key={n} onClick={() => onTold(n, by)}>
              {n === 0 ? 'none' : n === of ? `all ${of}` : n}
            </ButtonBase>
          ))
        )}
      </div>
      <div>
        <Button onClick={onBack}>I could not tell</Button>
      </div>
    </div>
  );
}
