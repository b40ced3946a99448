import Button from '@mui/material/Button';
import { useState } from 'react';
import type { SchoolView } from '../../contracts/views';
import { countOf, dateInWords } from '../../core';
import { send } from '../../kit/send';

/** With what the school signs its certificates; a new key takes the place of the one in use. */
export function Signing({ signs, done }: { signs: SchoolView['signs']; done: () => Promise<void> }) {
  const [asking, setAsking] = useState(false);
  const [wrong, setWrong] = useState('');
  const renew = async () => {
    const answer = await send('signingKey.renew', {});
    setAsking(false);
    setWrong(answer.ok ? '' : answer.title);
    if (answer.ok) await done();
  };
  return (
    <section className="stack mt-3" aria-label="Signing certificates">
      <h2>Signing certificates</h2>
      <p>
        {signs
          ? `By the key of ${dateInWords(signs.since)}${signs.before > 0 ? `, after ${countOf(signs.before, 'other')}` : ''}.`
          : 'The key is made with the first certificate.'}{' '}
        <a href="/c">Check a certificate</a>
      </p>
      {signs &&
        (asking ? (
          <div className="message" role="alertdialog" aria-label="A new key?">
            <p>
              For when somebody may have copied the server’s files. Certificates given so far stay good; to take one
              back, strike its belt.
            </p>
            <div className="row">
              <Button variant="contained" onClick={() => void renew()}>
                Make a new key
              </Button>
              <Button onClick={() => setAsking(false)}>Leave it</Button>
            </div>
          </div>
        ) : (
          <Button onClick={() => setAsking(true)}>Make a new key</Button>
        ))}
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
    </section>
  );
}
