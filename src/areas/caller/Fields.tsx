import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useEffect, useState } from 'react';
import '../../kit/drawing/drawing.css';
import './caller.css';
import { hasVoice } from './sound';

export function NumberBox({
  label,
  value,
  lo,
  hi,
  step,
  onChange,
}: {
  label: string;
  value: number;
  lo: number;
  hi: number;
  step: number;
  onChange: (n: number) => void;
}) {
  const [text, setText] = useState(String(value));
  const n = globalThis.Number(text.replace(',', '.'));
  const fine = text.trim() !== '' && n >= lo && n <= hi;
  return (
    <TextField
      id={`n-${label}`}
      label={label}
      value={text}
      inputMode="decimal"
      error={!fine}
      helperText={fine ? undefined : `from ${lo} to ${hi}`}
      onChange={(e) => {
        setText(e.target.value);
        const x = globalThis.Number(e.target.value.replace(',', '.'));
        if (e.target.value.trim() !== '' && x >= lo && x <= hi) onChange(step >= 1 ? Math.round(x) : x);
      }}
    />
  );
}

export function Toggle({ on, word, set }: { on: boolean; word: string; set: (on: boolean) => void }) {
  return (
    <Button className={`toggle${on ? ' on' : ''}`} role="switch" aria-checked={on} onClick={() => set(!on)}>
      {word}: {on ? 'yes' : 'no'}
    </Button>
  );
}

export function VoiceHint({ lang, name }: { lang: string; name: string }) {
  const [known, setKnown] = useState<boolean | null>(null);
  useEffect(() => {
    const look = () => setKnown(hasVoice(lang));
    const timer = setTimeout(look, 300);
    return () => clearTimeout(timer);
  }, [lang]);
  return known === false ? (
    <p className="second">This device has no voice for {name}: the tone and the screen call.</p>
  ) : null;
}
