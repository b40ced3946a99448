import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState, type SyntheticEvent } from 'react';
import { IslandRoot } from '../../kit/IslandRoot';
import { forgetPeople } from '../../kit/offline';
import { post } from '../../kit/send';
import { useHydrated } from '../../kit/useHydrated';

/** "Who is coming in?" A wrong address and a wrong password get the same answer. */
export default function SignIn({ to }: { to: string }) {
  const [shown, setShown] = useState(false);
  const [tablet, setTablet] = useState(false);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState('');
  const [forgotten, setForgotten] = useState(false);
  const ready = useHydrated();

  // The fields are the browser's own, so that what was typed or filled in before the page woke up counts.
  const submit = async (e: SyntheticEvent<HTMLFormElement>) => {
    e.preventDefault();
    const fields = new FormData(e.currentTarget);
    const text = (name: string) => {
      const value = fields.get(name);
      return typeof value === 'string' ? value : '';
    };
    const [email, password] = [text('email'), text('password')];
    if (email.trim() === '' || password === '') return setWrong('Enter your e-mail address and your password.');
    setBusy(true);
    setWrong('');
    const answer = await post('/api/auth/sign-in/email', { email: email.trim(), password, rememberMe: !tablet });
    if (answer.ok) {
      await forgetPeople();
      location.assign(to);
      return;
    }
    setBusy(false);
    setWrong(
      answer.status === 0 || answer.status === 429
        ? answer.title
        : answer.status >= 500
          ? 'Stavewright cannot check this just now. Try again in a moment.'
          : 'This address and password do not belong together.',
    );
  };

  return (
    <IslandRoot>
      <form
        className="stack"
        onSubmit={(e) => void submit(e)}
        noValidate
        method="post"
        action="/signin"
        style={{ gap: 14 }}
      >
        <h1>Who is coming in?</h1>
        <TextField
          id="email"
          name="email"
          label="E-mail"
          type="email"
          autoComplete="username"
          slotProps={{ htmlInput: { inputMode: 'email' } }}
        />
        <TextField
          id="password"
          name="password"
          label="Password"
          type={shown ? 'text' : 'password'}
          autoComplete="current-password"
          slotProps={{
            input: {
              endAdornment: (
                <Button variant="text" onClick={() => setShown(!shown)} aria-pressed={shown}>
                  {shown ? 'Hide' : 'Show'}
                </Button>
              ),
            },
          }}
        />
        <FormControlLabel
          control={<Checkbox checked={tablet} onChange={(e) => setTablet(e.target.checked)} />}
          label={
            <>
              This is the hall’s tablet. <span className="second">Sign me out when it is closed.</span>
            </>
          }
        />
        <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
        <div className="row gap-5">
          <Button
            type="submit"
            variant="contained"
            disabled={busy || !ready}
            sx={{ height: 44, padding: '11px 26px', fontSize: 16 }}
          >
            {busy ? 'One moment…' : 'Sign in'}
          </Button>
          <Button variant="text" aria-expanded={forgotten} onClick={() => setForgotten(!forgotten)}>
            I do not know my password
          </Button>
        </div>
        {forgotten && (
          <p className="message">Ask your head instructor: they can give you a new one in a minute, under Sign-ins.</p>
        )}
      </form>
    </IslandRoot>
  );
}
