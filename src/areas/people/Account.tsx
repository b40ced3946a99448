import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useState, type SyntheticEvent } from 'react';
import { IslandRoot } from '../../kit/IslandRoot';
import { forgetPeople } from '../../kit/offline';
import { waitingHere } from '../../kit/deviceQueue/deviceQueue';
import { post } from '../../kit/send';
import { plural } from '../../kit/words';

/** Change one's password, sign out here or everywhere. */
export default function Account({ email }: { email: string }) {
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  const [again, setAgain] = useState('');
  const [said, setSaid] = useState<{ good: boolean; text: string } | null>(null);
  const [waiting, setWaiting] = useState(0);
  const [busy, setBusy] = useState(false);
  useEffect(() => void waitingHere().then(setWaiting), []);

  const change = async (e: SyntheticEvent) => {
    e.preventDefault();
    if (fresh.length < 10) return setSaid({ good: false, text: 'A password has at least 10 letters.' });
    if (fresh !== again) return setSaid({ good: false, text: 'The two new passwords differ.' });
    setBusy(true);
    const answer = await post('/api/auth/change-password', {
      currentPassword: old,
      newPassword: fresh,
      revokeOtherSessions: true,
    });
    setBusy(false);
    if (!answer.ok)
      return setSaid({
        good: false,
        text:
          answer.status === 400
            ? 'The present password is not right.'
            : answer.status === 429
              ? 'Too many tries. Wait a minute, then try again.'
              : answer.title,
      });
    setOld('');
    setFresh('');
    setAgain('');
    setSaid({ good: true, text: 'The password is changed. Other devices have to sign in again.' });
  };

  const leave = async (everywhere: boolean) => {
    setBusy(true);
    if (everywhere) await post('/api/auth/revoke-sessions', {});
    const answer = await post('/api/auth/sign-out', {});
    if (!answer.ok && answer.status !== 401) {
      setBusy(false);
      return setSaid({ good: false, text: answer.title });
    }
    await forgetPeople();
    location.assign('/signin');
  };

  return (
    <IslandRoot>
      <div className="columns">
        <form className="stack" onSubmit={(e) => void change(e)} style={{ maxWidth: 420 }} noValidate>
          <h2>Change the password</h2>
          <p className="sub">You sign in as {email}.</p>
          <input type="text" name="username" autoComplete="username" value={email} readOnly hidden />
          <TextField
            id="old"
            label="Present password"
            type="password"
            autoComplete="current-password"
            value={old}
            onChange={(e) => setOld(e.target.value)}
          />
          <TextField
            id="fresh"
            label="New password"
            type="password"
            autoComplete="new-password"
            value={fresh}
            onChange={(e) => setFresh(e.target.value)}
            helperText="At least ten letters; a short sentence is best."
          />
          <TextField
            id="again"
            label="New password once more"
            type="password"
            autoComplete="new-password"
            value={again}
            onChange={(e) => setAgain(e.target.value)}
          />
          <div role="status">{said && <p className={`message ${said.good ? 'good' : 'wrong'}`}>{said.text}</p>}</div>
          <div>
            <Button type="submit" variant="contained" disabled={busy}>
              Change it
            </Button>
          </div>
        </form>
        <section className="stack">
          <h2>Sign out</h2>
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
