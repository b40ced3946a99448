import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { CycleView } from '../../contracts/views';
import { countOf, dateInWords } from '../../core';
import { newId, send } from '../../kit/send';

const hex = (bytes: Uint8Array) => [...bytes].map((b) => b.toString(16).padStart(2, '0')).join('');

/** A secret that nobody can guess; the server is only told its hash. */
async function newSecret(): Promise<{ secret: string; hash: string }> {
  const secret = hex(crypto.getRandomValues(new Uint8Array(24)));
  const digest = await crypto.subtle.digest('SHA-256', new TextEncoder().encode(secret));
  return { secret, hash: hex(new Uint8Array(digest)) };
}

/** The weeks in other calendars: a file, or an address that they ask again and that can be taken back. */
export function CalendarPanel({
  id,
  view,
  head,
  classes,
  leave,
}: {
  id: string;
  view: CycleView;
  head: boolean;
  classes: number;
  leave: () => void;
}) {
  const [addresses, setAddresses] = useState(view.addresses ?? []);
  const [name, setName] = useState('');
  const [made, setMade] = useState<string | null>(null);
  const [wrong, setWrong] = useState('');
  const give = async () => {
    const { secret, hash } = await newSecret();
    const own = { id: newId(), name: name.trim(), at: new Date().toISOString() };
    const answer = await send('calendar.open', { id: own.id, name: own.name, hash });
    if (!answer.ok) return setWrong(answer.errors[0]?.message ?? answer.title);
    setWrong('');
    setAddresses([...addresses, own]);
    setMade(`${location.origin}/calendar/${secret}.ics`);
    setName('');
  };
  const back = async (address: string) => {
    const answer = await send('calendar.close', { id: address });
    if (!answer.ok && answer.status !== 404) return setWrong(answer.title);
    setAddresses(addresses.filter((a) => a.id !== address));
    setMade(null);
  };
  return (
    <section className="sheet stack" aria-label="Into the calendar">
      <h2>Into the calendar</h2>
      <p>{countOf(classes, 'class', 'classes')} and the day, with items and minutes in each; no names of students.</p>
      <p>
        <a className="button" href={`/cycle/${id}.ics`}>
          Calendar file
        </a>
      </p>
      {head && (
        <>
          <h3>Addresses that calendars ask</h3>
          {addresses.map((a) => (
            <div key={a.id} className="spread line">
              <span>
                {a.name} <span className="second">since {dateInWords(a.at.slice(0, 10))}</span>
              </span>
              <Button variant="text" onClick={() => void back(a.id)} aria-label={`Take back ${a.name}`}>
                Take it back
              </Button>
            </div>
          ))}
          {made && (
            <div className="message good" role="status">
              <p>Copy it now: it is shown only once. Whoever has it sees when classes are and what they are for.</p>
              <p className="anywhere">
                <code>{made}</code>
              </p>
              <Button onClick={() => void navigator.clipboard?.writeText(made)}>Copy</Button>
            </div>
          )}
          <TextField id="calendar-name" label="For whom" value={name} onChange={(e) => setName(e.target.value)} />
          <Button onClick={() => void give()} disabled={name.trim() === ''}>
            Make an address
          </Button>
        </>
      )}
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <Button variant="text" onClick={leave}>
        Close
      </Button>
    </section>
  );
}
