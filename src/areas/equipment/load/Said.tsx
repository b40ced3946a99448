import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LoadView } from '../../../contracts/views';
import { dayInWords, limbInWords, type Ladder } from '../../../core';
import { newId, send } from '../../../kit/send';
import type { Limb } from './limbs';

/** The head’s word, with its reason. */
export function Lift({
  view,
  ladder,
  lift,
  what,
  done,
  leave,
}: {
  view: LoadView;
  ladder: Ladder;
  lift: Limb;
  what: 'lifted' | 'single';
  done: () => Promise<void>;
  leave: () => void;
}) {
  const [reason, setReason] = useState('');
  const [wrong, setWrong] = useState('');
  const limb = limbInWords(ladder, lift.side);
  const write = async () => {
    const answer = await send('load.allow', {
      id: newId(),
      studentId: view.student.id,
      ladder,
      side: lift.side,
      what,
      reason,
    });
    if (answer.ok) await done();
    else setWrong(answer.errors[0]?.message ?? answer.title);
  };
  return (
    <section className="sheet stack" aria-label="The head’s word">
      <h2>{what === 'lifted' ? `Lift the stop of the ${limb}?` : `Allow single heavy blows, ${limb}?`}</h2>
      <TextField label="Because" value={reason} multiline minRows={2} onChange={(e) => setReason(e.target.value)} />
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <p className="second">It is kept with your name. After pain or numbness a doctor has looked at it first.</p>
      <div className="row wrap">
        <Button variant="contained" onClick={() => void write()}>
          {what === 'lifted' ? 'Lift it' : 'Allow them'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}

/** The guardian’s word: by themselves, or by the head for what was said on paper. */
export function Agreed({ view, done }: { view: LoadView; done: () => Promise<void> }) {
  const [guardian, setGuardian] = useState('');
  const [wrong, setWrong] = useState('');
  const { agreed, can, today } = view;
  const say = async (yes: boolean) => {
    const answer = await send('load.agree', { id: newId(), studentId: view.student.id, agreed: yes, guardian });
    if (answer.ok) await done();
    else setWrong(answer.errors[0]?.message ?? answer.title);
  };
  return (
    <section className="stack">
      <h2>The guardian’s word</h2>
      <p>
        {agreed
          ? `${agreed.guardian} said ${agreed.agreed ? 'yes' : 'no'} on ${dayInWords(agreed.day, today)}.`
          : 'Nobody was asked yet.'}
      </p>
      {can.agree && (
        <>
          {view.reader === 'teacher' && (
            <TextField label="Who said so" value={guardian} onChange={(e) => setGuardian(e.target.value)} />
          )}
          <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
          <div className="row wrap no-print">
            <Button onClick={() => void say(true)}>Yes, they may</Button>
            <Button onClick={() => void say(false)}>No</Button>
          </div>
        </>
      )}
    </section>
  );
}
