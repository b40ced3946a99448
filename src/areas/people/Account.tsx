import Button from '@mui/material/Button';
import { useEffect, useState } from 'react';
import { plural } from '../../core';
import { waitingHere } from '../../kit/deviceQueue/deviceQueue';
import { IslandRoot } from '../../kit/IslandRoot';
import { forgetPeople } from '../../kit/offline';
import { post } from '../../kit/send';
import { ChangePassword } from './ChangePassword';

/** Change one's password, sign out here or everywhere. */
export default function Account({ email }: { email: string }) {
  const [wrong, setWrong] = useState('');
  const [waiting, setWaiting] = useState(0);
  const [busy, setBusy] = useState(false);
  useEffect(() => void waitingHere().then(setWaiting), []);

  const leave = async (everywhere: boolean) => {
    setBusy(true);
    if (everywhere) await post('/api/auth/revoke-sessions', {});
    const answer = await post('/api/auth/sign-out', {});
    if (!answer.ok && answer.status !== 401) {
      setBusy(false);
      return setWrong(answer.title);
    }
    await forgetPeople();
    location.assign('/signin');
  };

  return (
    <IslandRoot>
      <div className="columns">
        <ChangePassword email={email} />
        <section className="stack">
          <h2>Sign out</h2>
          <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
          {waiting > 0 && (
            <p className="message">
              {waiting} {plural(waiting, 'mark waits', 'marks wait')} on this device for the network. They stay here and
              are sent when you sign in again.
            </p>
          )}
          <p className="sub">Signing out also clears the pages that this device keeps for use without a network.</p>
          <div className="row">
            <Button disabled={busy} onClick={() => void leave(false)}>
              Sign out here
            </Button>
            <Button disabled={busy} onClick={() => void leave(true)}>
              Sign out everywhere
            </Button>
          </div>
        </section>
      </div>
    </IslandRoot>
  );
}
