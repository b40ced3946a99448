import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { held, heldOf, MOST_TRIES, slipped, tryOnce, type PointMarks } from './cardMarks';
import { Listening } from './Listening';

/** A counted point: hits of tries, tapped one by one with the keys, or typed where somebody else has counted. */
export function Counting({
  marks,
  latest,
  onMarks,
}: {
  marks: PointMarks;
  /** What stands now, whatever was drawn last. */
  latest: () => PointMarks;
  onMarks: (marks: PointMarks) => void;
}) {
  const [hits, tries] = [held(marks), held(marks) + slipped(marks)];
  // What is typed stands until it makes sense: "1" on the way to "12" must not be turned down.
  const [typed, setTyped] = useState<{ hits: string; tries: string } | null>(null);
  const shown = typed ?? { hits: String(hits), tries: String(tries) };
  const change = (next: { hits: string; tries: string }) => {
    const [h, n] = [Number(next.hits), Number(next.tries)];
    const whole = Number.isInteger(h) && Number.isInteger(n) && h >= 0 && n >= 1 && n <= MOST_TRIES && h <= n;
    setTyped(whole ? null : next);
    if (whole) onMarks(heldOf(h, n));
  };
  const field = (key: 'hits' | 'tries', label: string) => (
    <TextField
      id={`count-${key}`}
      type="number"
      label={label}
      value={shown[key]}
      error={typed !== null}
      onChange={(e) => change({ ...shown, [key]: e.target.value })}
      slotProps={{ htmlInput: { inputMode: 'numeric', min: 0, max: MOST_TRIES } }}
    />
  );
  return (
    <div className="counting">
      <p>Tap each try, or type what was counted.</p>
      <div>
        {field('hits', 'Hits')}
        {field('tries', 'of tries')}
      </div>
      <Listening onHit={() => onMarks(tryOnce(latest(), 'H'))} />
      {typed !== null && (
        <p className="hurts" role="alert">
          Not kept yet: hits are at most the tries, and tries 1 to {MOST_TRIES}.
        </p>
      )}
    </div>
  );
}
