import Button from '@mui/material/Button';
import { useState } from 'react';
import type { StudentView } from '../../../contracts/views';
import { dateInWords } from '../../../core';
import { newId, send } from '../../../kit/send';
import { onSide, type Sheet } from './sheet';

/** Felt points of the last days: only who did the work can tell, on their own page. */
export function Felt({ view, done }: Pick<Sheet, 'view' | 'done'>) {
  const [wrong, setWrong] = useState('');
  const [told, setTold] = useState<readonly string[]>([]);
  const keyOf = (f: StudentView['feltAsked'][number]) => `${f.studentId} ${f.techniqueId} ${f.pointId} ${f.side}`;
  const [more, setMore] = useState(false);
  const open = view.feltAsked.filter((f) => !told.includes(keyOf(f)));
  const unsure = open.filter((f) => !f.sure).length;
  const list = more ? open : open.filter((f) => f.sure);
  if (open.length === 0) return null;
  const tell = async (f: (typeof list)[number], held: number) => {
    setTold((known) => [...known, keyOf(f)]);
    const answer = await send('felt.record', {
      id: newId(),
      studentId: f.studentId,
      techniqueId: f.techniqueId,
      pointId: f.pointId,
      conditionId: f.conditionId,
      side: f.side,
      held,
      of: 1,
    });
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) return done();
    // It is asked again.
    setTold((known) => known.filter((k) => k !== keyOf(f)));
  };
  return (
    <section className="sheet">
      <h2>What did you feel?</h2>
      <p className="second">Nobody else can see these.</p>
      <ul>
        {list.slice(0, more ? 12 : 5).map((f) => (
          <li key={keyOf(f)} className="line py-1">
            <b>{f.point}</b>{' '}
            <span className="second">
              {f.whose ? `${f.whose}’s work on you${f.sure ? '' : ', if it was you'}: ${f.technique}` : f.technique}
              {onSide(f.side)}, {dateInWords(f.day)}
            </span>
            <div className="row">
              <Button onClick={() => void tell(f, 1)}>It was so</Button>
              <Button onClick={() => void tell(f, 0)}>It was not</Button>
            </div>
          </li>
        ))}
      </ul>
      {unsure > 0 && (
        <Button variant="text" aria-expanded={more} onClick={() => setMore(!more)}>
          {more ? 'Only mine' : 'Somebody else’s work on me'}
        </Button>
      )}
      {wrong !== '' && <p className="message wrong">{wrong}</p>}
    </section>
  );
}
