import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { ALL_FINE, capital, limbInWords, type LimbSaid, type Side } from '../../core';
import { put } from '../../kit/deviceQueue/deviceQueue';
import { LimbAsked } from '../../kit/load/LimbAsked';
import type { KitStudent } from '../../kit/mat/line';
import { newId } from '../../kit/send';

type Hands = Record<string, { count: string; said: Partial<LimbSaid> }>;
/** Nobody does more in a class: the same bound as the log of strikes. */
const MOST = 1000;

/** Who struck at the post tonight: how many with each hand, and what the hands say; kept on the device first. */
export function HandsTold({
  people,
  day,
  by,
}: {
  /** Who was here and may strike what is hard. */
  people: readonly KitStudent[];
  day: string;
  by: string;
}) {
  const [told, setTold] = useState<ReadonlySet<string>>(new Set());
  const [open, setOpen] = useState<string | null>(null);
  if (people.length === 0) return null;
  return (
    <section className="hands-told" aria-labelledby="hands-told">
      <h2 id="hands-told">What do the hands say?</h2>
      <p className="quiet">Whoever struck at the post. They can say it on their own page as well.</p>
      <ul>
        {people.map((s) => (
          <li key={s.id} className="line py-1">
            <div className="row">
              <span>{s.name}</span>
              {told.has(s.id) ? (
                <span className="quiet">written down</span>
              ) : (
                <Button aria-expanded={open === s.id} onClick={() => setOpen(open === s.id ? null : s.id)}>
                  {open === s.id ? 'Leave it' : 'Struck'}
                  <span className="hidden"> {s.name}</span>
                </Button>
              )}
            </div>
            {open === s.id && (
              <Told
                student={s}
                day={day}
                by={by}
                onDone={() => {
                  setTold(new Set([...told, s.id]));
                  setOpen(null);
                }}
              />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

function Told({ student, day, by, onDone }: { student: KitStudent; day: string; by: string; onDone: () => void }) {
  const hands = student.hands ?? [];
  const [now, setNow] = useState<Hands>(
    Object.fromEntries(hands.map((h) => [h.side, { count: String(h.number), said: {} }])),
  );
  const [wrong, setWrong] = useState('');
  const [ids] = useState(() => Object.fromEntries(hands.map((h) => [h.side, newId()])));
  const asked = Object.values(now).some((h) => Object.keys(h.said).length > 0);
  const change = (side: Side, more: Partial<Hands[string]>) =>
    setNow((all) => ({ ...all, [side]: { ...all[side]!, ...more } }));
  const write = async () => {
    const counts = hands.map((h) => now[h.side]!.count.trim());
    if (counts.some((c) => !/^\d{1,4}$/.test(c) || Number(c) > MOST))
      return setWrong('How many? A whole number, 0 if none.');
    try {
      await put({
        id: newId(),
        at: new Date().toISOString(),
        name: 'load.record',
        input: {
          studentId: student.id,
          day,
          place: 'hall',
          done: hands.map((h) => {
            const { count, said } = now[h.side]!;
            // Asked and nothing said is fine; a hand of which nothing was said while the other was asked is not known.
            const words = !asked || Object.keys(said).length > 0 ? { ...ALL_FINE, ...said } : null;
            return {
              id: ids[h.side]!,
              blow: 'straight',
              side: h.side,
              surface: h.surface,
              count: Number(count),
              said: words,
            };
          }),
        },
        label: `${student.name}: what the hands say`,
        by,
        open: false,
      });
      onDone();
    } catch (e) {
      setWrong(e instanceof Error ? e.message : 'It could not be kept on this device.');
    }
  };
  return (
    <div className="hands">
      {hands.map((h) => (
        <fieldset key={h.side}>
          <legend>{capital(limbInWords('hand', h.side))}</legend>
          <TextField
            label={`How many, ${limbInWords('hand', h.side)}`}
            value={now[h.side]!.count}
            slotProps={{ htmlInput: { inputMode: 'numeric' } }}
            helperText={
              Number(now[h.side]!.count) > h.number
                ? `${h.number} are allowed: more is kept, and gives no growth.`
                : undefined
            }
            onChange={(e) => change(h.side, { count: e.target.value })}
          />
          <LimbAsked
            limb={limbInWords('hand', h.side)}
            said={now[h.side]!.said}
            onSaid={(said) => change(h.side, { said })}
            mat
          />
        </fieldset>
      ))}
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      <Button variant="contained" onClick={() => void write()}>
        {asked ? 'Write it down' : 'All fine: write it down'}
      </Button>
    </div>
  );
}
