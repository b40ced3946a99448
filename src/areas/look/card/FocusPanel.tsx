import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LookKitView, SlipShown } from '../../../contracts/views';
import { dayInWords, low } from '../../../core';
import { put } from '../../../kit/deviceQueue/deviceQueue';
import type { NewCommand } from '../../../kit/deviceQueue/queue';
import { newId } from '../../../kit/send';
import type { KitStudent } from '../../../kit/mat/line';
import { dayNow } from '../../../kit/mat/record';
import type { SlippedTonight } from './tonight';
import './FocusPanel.css';

/** A student's correction as a command: given through the queue of the device like a mark, so that it works without a network. */
export const focusGiven = (
  kit: LookKitView,
  student: KitStudent,
  slip: Pick<SlipShown, 'pointId' | 'side' | 'point'>,
  why: { chosen: boolean; reason: string },
): NewCommand<'focus.give'> => ({
  id: newId(),
  at: new Date().toISOString(),
  name: 'focus.give',
  input: {
    id: newId(),
    studentId: student.id,
    pointId: slip.pointId,
    side: slip.side,
    day: dayNow(kit.timeZone),
    ...why,
  },
  label: `${student.name} works on: ${slip.point}`,
  by: kit.me.personId,
  open: false,
});

const onSide = (s: Pick<SlipShown, 'side'>) => (s.side === 'none' ? '' : ` on the ${s.side}`);

/**
 * The one correction with its cue and one true thing to praise; another can be chosen with a reason, all slips are one tap
 * away. What slipped tonight is told before it is sent: it comes first where nothing did before, or where it can hurt.
 */
export function FocusPanel({
  kit,
  student,
  now,
  tonight,
}: {
  kit: LookKitView;
  student: KitStudent;
  /** What held all times on this card; empty where nothing did. */
  now: string;
  tonight: readonly SlippedTonight[];
}) {
  const [open, setOpen] = useState(false);
  const [other, setOther] = useState<SlipShown | null>(null);
  const [reason, setReason] = useState('');
  const [chosen, setChosen] = useState<SlipShown | null>(null);
  const [wrong, setWrong] = useState('');
  const focus = student.focus;
  const shown = chosen ?? focus;
  const choose = async () => {
    if (!other) return;
    if (reason.trim().length < 3) return setWrong('Say why: it is kept with the choice.');
    try {
      await put(focusGiven(kit, student, other, { chosen: true, reason: reason.trim() }));
      setChosen(other);
      setOther(null);
      setOpen(false);
      setReason('');
      setWrong('');
    } catch (e) {
      setWrong(e instanceof Error ? e.message : 'The choice was not taken.');
    }
  };
  const again = shown && tonight.find((t) => t.pointId === shown.pointId && t.side === shown.side);
  // What can hurt displaces a correction that cannot; else the one that was given stays until it holds.
  const first = tonight[0];
  const displaces = first && first !== again && (!shown || (first.hurts && !shown.hurts)) ? first : null;
  return (
    <section className="focus" aria-label="One thing to work on">
      {displaces ? (
        <>
          <span>{shown ? `First tonight, before ${low(shown.point)}` : 'Slipped tonight'}</span>
          <h2>
            {displaces.point}
            {onSide(displaces)}
          </h2>
          {displaces.cue !== '' && <p className="say">“{displaces.cue}”</p>}
          <p>
            {displaces.hurts && <span className="hurts">Can hurt. </span>}
            Held in {displaces.held} of {displaces.of} tonight.
          </p>
        </>
      ) : shown ? (
        <>
          <span>
            {chosen
              ? 'First, chosen now'
              : focus?.since
                ? `First, since ${dayInWords(focus.since, kit.today)}`
                : 'First'}
          </span>
          <h2>
            {shown.point}
            {onSide(shown)}
          </h2>
          {shown.cue !== '' && <p className="say">“{shown.cue}”</p>}
          <p>
            {shown.hurts && <span className="hurts">Can hurt. </span>}
            Held in {shown.held} of the last {shown.of}
            {again ? `, tonight ${again.held} of ${again.of}` : ''}; holds at {shown.needs}.
          </p>
        </>
      ) : (
        <p>Nothing of the next belt was seen to slip.</p>
      )}
      <p>
        <b>True now:</b> {now !== '' ? now : student.praise}
      </p>
      {student.slips.length > 0 && (
        <Button variant="text" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'Leave it' : 'Another, or all slips'}
        </Button>
      )}
      {open && (
        <div className="others">
          <ul>
            {student.slips.map((s) => (
              <li key={`${s.pointId} ${s.side}`}>
                <ButtonBase aria-pressed={other === s} className={other === s ? 'on' : ''} onClick={() => setOther(s)}>
                  <b>{s.point}</b>
                  <span>
                    {s.side === 'none' ? '' : `${s.side}, `}
                    {s.held} of {s.of}
                  </span>
                </ButtonBase>
              </li>
            ))}
          </ul>
          {other && (
            <>
              <TextField
                id="focus-reason"
                label="Why this one?"
                value={reason}
                onChange={(e) => setReason(e.target.value)}
                error={wrong !== ''}
                helperText={wrong}
                slotProps={{ htmlInput: { maxLength: 300 } }}
              />
              <Button variant="contained" onClick={() => void choose()}>
                Let it be the one
              </Button>
            </>
          )}
        </div>
      )}
    </section>
  );
}
