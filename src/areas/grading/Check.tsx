import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Verified } from '../../contracts/credential';
import { checkedInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import './Check.css';

/** "Does this certificate stand?", for whoever holds one: its code, or its file. Nobody signs in for it. */
export default function Check() {
  const [asked, setAsked] = useState('');
  const [busy, setBusy] = useState(false);
  const [answer, setAnswer] = useState<{ good: boolean; text: string } | null>(null);
  const check = async (text: string) => {
    setBusy(true);
    try {
      const response = await fetch('/api/verify', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ asked: text }),
      });
      const body = (await response.json()) as Verified & { title?: string };
      const today = new Date().toISOString().slice(0, 10);
      setAnswer(
        response.ok
          ? { good: body.word === 'stands', text: checkedInWords(body, today) }
          : { good: false, text: body.title ?? 'It could not be checked just now.' },
      );
    } catch {
      setAnswer({ good: false, text: 'There is no connection to the school’s server. Try again in a moment.' });
    } finally {
      setBusy(false);
    }
  };
  return (
    <IslandRoot>
      <main className="checked">
        <h1>Does this certificate stand?</h1>
        <p className="sub">
          Type the twelve signs printed at its foot, or take the file that belongs to it. What you hand in is not kept.
        </p>
        <form
          className="stack"
          onSubmit={(e) => {
            e.preventDefault();
            if (asked.trim() === '') setAnswer({ good: false, text: 'Type the code, or take a file.' });
            else void check(asked);
          }}
        >
          <TextField
            id="certificate-code"
            label="The code, or all that stands in the file"
            value={asked}
            multiline
            maxRows={6}
            autoComplete="off"
            onChange={(e) => setAsked(e.target.value)}
            onKeyDown={(e) => {
              if (e.key !== 'Enter' || e.shiftKey) return;
              e.preventDefault();
              e.currentTarget.closest('form')?.requestSubmit();
            }}
          />
          <div className="row wrap">
            <Button type="submit" variant="contained" disabled={busy}>
              Check it
            </Button>
            <Button component="label" disabled={busy}>
              Take a file
              <input
                hidden
                type="file"
                accept=".jws,.jwt,.json,.txt,text/plain,application/json"
                onChange={(e) => {
                  const file = e.target.files?.[0];
                  e.target.value = '';
                  if (!file) return;
                  if (file.size > 20_000)
                    return setAnswer({ good: false, text: 'This is neither a code nor a certificate file.' });
                  void file.text().then((text) => {
                    setAsked(text);
                    return check(text);
                  });
                }}
              />
            </Button>
          </div>
        </form>
        <div role="status">{answer && <p className={answer.good ? 'answer' : 'message wrong'}>{answer.text}</p>}</div>
      </main>
    </IslandRoot>
  );
}
