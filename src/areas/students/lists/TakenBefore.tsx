import Button from '@mui/material/Button';
import { useState } from 'react';
import type { ImportsView } from '../../../contracts/views';
import { countOf, dateInWords, listInWords } from '../../../core';
import { IslandRoot } from '../../../kit/IslandRoot';
import { send } from '../../../kit/send';

/** Lists that came in before: each can go back as a whole as long as nothing was added to anybody of it. */
export function TakenBefore({ view, onBack }: { view: ImportsView; onBack: () => void }) {
  const [asking, setAsking] = useState<string | null>(null);
  const [said, setSaid] = useState('');
  const takeBack = async (id: string, n: number) => {
    const answer = await send('student.importBack', { id });
    setAsking(null);
    setSaid(answer.ok ? `${countOf(n, 'student is', 'students are')} off the roll again.` : answer.title);
    if (answer.ok) onBack();
  };
  if (view.lists.length === 0) return null;
  return (
    <IslandRoot>
      <section className="no-print mt-5">
        <h2>Taken in before</h2>
        <p role="status">{said}</p>
        <ul>
          {view.lists.map((l) => (
            <li key={l.id} className="line py-2 spread">
              <span>
                <b>{dateInWords(l.day)}</b>, {countOf(l.taken, 'student')} by {l.by}
                <span className="second">
                  {' '}
                  {l.stay === 0
                    ? 'taken back'
                    : l.touched.length > 0
                      ? `stays: something was added to ${listInWords(l.touched.slice(0, 3))}${l.touched.length > 3 ? ' and others' : ''}`
                      : `${listInWords(l.first)}${l.stay > 3 ? ` and ${l.stay - 3} more` : ''}`}
                </span>
              </span>
              {l.stay > 0 && l.touched.length === 0 && asking !== l.id && (
                <Button variant="text" onClick={() => setAsking(l.id)}>
                  take it back
                </Button>
              )}
              {asking === l.id && (
                <span className="row">
                  <Button color="error" onClick={() => void takeBack(l.id, l.stay)}>
                    Take all {l.stay} off the roll
                  </Button>
                  <Button onClick={() => setAsking(null)}>Leave it</Button>
                </span>
              )}
            </li>
          ))}
        </ul>
      </section>
    </IslandRoot>
  );
}
