import Button from '@mui/material/Button';
import { useState } from 'react';
import { letGo, sendAgain, type Waiting } from '../deviceQueue/deviceQueue';
import './StandsAside.css';

/** What the school did not take, oldest first. */
export default function StandsAside({ commands }: { commands: readonly Waiting[] }) {
  return (
    <ul className="refusals">
      {commands.map((c) => (
        <One key={c.id} command={c} />
      ))}
    </ul>
  );
}

/** One that was not taken: why, what would mend it, sending it again, and, asked twice, letting it go. */
function One({ command: c }: { command: Waiting }) {
  const [busy, setBusy] = useState(false);
  const [going, setGoing] = useState(false);
  if (!c.aside) return null;
  const { title, mends, taken } = c.aside;
  const again = (mend: (typeof mends)[number] | null) => {
    setBusy(true);
    void sendAgain(c.id, mend).finally(() => setBusy(false));
  };
  return (
    <li>
      <span>
        <b>{c.label}</b>: {title}
      </span>
      <span className="ways">
        {taken ? (
          <Button onClick={() => void letGo(c.id)}>I have seen it</Button>
        ) : going ? (
          <>
            <span>It is gone for good then.</span>
            <Button className="hurts" onClick={() => void letGo(c.id)}>
              Yes, let it go
            </Button>
            <Button onClick={() => setGoing(false)}>Keep it</Button>
          </>
        ) : (
          <>
            {mends.map((m) => (
              <Button key={m.say} variant="contained" disabled={busy} onClick={() => again(m)}>
                {m.say}
              </Button>
            ))}
            <Button disabled={busy} onClick={() => again(null)}>
              Send it again
            </Button>
            <Button variant="text" disabled={busy} onClick={() => setGoing(true)}>
              Let it go
            </Button>
          </>
        )}
      </span>
    </li>
  );
}
