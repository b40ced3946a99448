import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { LoadView } from '../../../contracts/views';
import {
  ALL_FINE,
  BLOWS,
  limbInWords,
  readDate,
  type Blow,
  type Ladder,
  type LimbSaid,
  dateInWords,
} from '../../../core';
import { LimbAsked } from '../../../kit/load/LimbAsked';
import { newId, send } from '../../../kit/send';
import { Switch } from '../../../kit/Switch';
import type { Limb } from './limbs';

/** What was done, and what the limbs say: four taps a limb, or one where all is fine. */
export function SayHands({
  view,
  ladder,
  limbs,
  may,
  done,
  leave,
}: {
  view: LoadView;
  ladder: Ladder;
  limbs: readonly Limb[];
  /** Too young, or nobody asked: only what hands say is taken. */
  may: boolean;
  done: () => Promise<void>;
  leave: () => void;
}) {
  const [typedDay, setTypedDay] = useState(dateInWords(view.today));
  const [place, setPlace] = useState<'hall' | 'home'>(view.reader === 'teacher' ? 'hall' : 'home');
  const [blow, setBlow] = useState<Blow>((Object.keys(BLOWS) as Blow[]).find((b) => BLOWS[b] === ladder)!);
  const [counts, setCounts] = useState<Record<string, string>>(
    Object.fromEntries(limbs.map((l) => [l.side, String(may ? l.next.number : 0)])),
  );
  const [said, setSaid] = useState<Record<string, Partial<LimbSaid>>>({});
  const [wrong, setWrong] = useState('');
  const [busy, setBusy] = useState(false);
  const [ids] = useState(() => Object.fromEntries(limbs.map((l) => [l.side, newId()])));
  const blows = (Object.keys(BLOWS) as Blow[]).filter((b) => BLOWS[b] === ladder);
  const day = readDate(typedDay, view.today);
  const write = async (all: Record<string, Partial<LimbSaid>>) => {
    if (!day.ok) return setWrong(day.error);
    const bad = limbs.find((l) => !/^\d{1,4}$/.test((counts[l.side] ?? '').trim()));
    if (bad) return setWrong(`How many with the ${limbInWords(ladder, bad.side)}? A whole number, 0 if none.`);
    setBusy(true);
    const answer = await send('load.record', {
      studentId: view.student.id,
      day: day.value,
      place,
      done: limbs.map((l) => ({
        id: ids[l.side]!,
        blow,
        side: l.side,
        surface: l.next.surface,
        count: Number(counts[l.side]),
        said: Object.keys(all[l.side] ?? {}).length === 0 ? null : { ...ALL_FINE, ...all[l.side] },
      })),
    });
    setBusy(false);
    if (!answer.ok) return setWrong(answer.errors[0]?.message ?? answer.title);
    await done();
  };
  return (
    <section className="sheet stack say-hands" aria-label="Say what the hands say">
      <h2>What was done, and what do they say?</h2>
      <div className="row wrap">
        <TextField label="Day" value={typedDay} onChange={(e) => setTypedDay(e.target.value)} />
        <Switch
          label="Where"
          value={place}
          options={[
            { value: 'hall', word: 'at the hall' },
            { value: 'home', word: 'at home' },
          ]}
          onChange={setPlace}
        />
      </div>
      {blows.length > 1 && (
        <TextField select label="Kind" value={blow} onChange={(e) => setBlow(e.target.value as Blow)}>
          {blows.map((b) => (
            <MenuItem key={b} value={b}>
              {b}
            </MenuItem>
          ))}
        </TextField>
      )}
      {limbs.map((l) => (
        <fieldset key={l.side}>
          <legend>{limbInWords(ladder, l.side)}</legend>
          <TextField
            label={`How many, ${limbInWords(ladder, l.side)}`}
            value={counts[l.side] ?? ''}
            disabled={!may}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            helperText={
              may && Number(counts[l.side]) > l.next.number
                ? `${l.next.number} are allowed: more is kept, and gives no growth.`
                : undefined
            }
            onChange={(e) => setCounts({ ...counts, [l.side]: e.target.value })}
          />
          <LimbAsked
            limb={limbInWords(ladder, l.side)}
            said={said[l.side] ?? {}}
            onSaid={(now) => setSaid({ ...said, [l.side]: now })}
          />
        </fieldset>
      ))}
      <p className="second">What is not answered counts as fine.</p>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <div className="row wrap">
        <Button
          variant="contained"
          disabled={busy}
          onClick={() =>
            void write(Object.keys(said).length === 0 ? Object.fromEntries(limbs.map((l) => [l.side, ALL_FINE])) : said)
          }
        >
          {Object.keys(said).length === 0 ? 'All fine: write it down' : 'Write it down'}
        </Button>
        <Button onClick={leave}>Leave it</Button>
      </div>
    </section>
  );
}
