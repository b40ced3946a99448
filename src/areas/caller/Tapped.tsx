import Button from '@mui/material/Button';
import { useCallback, useEffect, useState } from 'react';
import { againstTheCaller, againstTheCallerInWords, type Call } from '../../core';

export interface Said {
  /** By the device's clock, in milliseconds. */
  at: number;
  call: Call;
}
const nameOf = ({ call }: Said) => `${call.written}${call.round > 1 ? ` of round ${call.round}` : ''}`;

/** Each count is tapped as it lands, and told against its call once the caller is done. Nothing of it is kept. */
export function Tapped({ over, saidSoFar }: { over: boolean; saidSoFar: () => readonly Said[] }) {
  const [taps, setTaps] = useState<readonly number[]>([]);
  const tap = useCallback(() => setTaps((all) => [...all, performance.now()]), []);
  useEffect(() => {
    if (over) return;
    const keys = (e: KeyboardEvent) => {
      if (e.key.toLowerCase() !== 't' || e.repeat || e.target instanceof HTMLInputElement) return;
      e.preventDefault();
      tap();
    };
    window.addEventListener('keydown', keys);
    return () => window.removeEventListener('keydown', keys);
  }, [over, tap]);
  if (!over)
    return (
      <Button aria-keyshortcuts="t" onClick={tap}>
        {taps.length === 0 ? 'Tap as they land' : `${taps.length} tapped`}
      </Button>
    );
  if (taps.length === 0) return null;
  const said = saidSoFar();
  const words = againstTheCallerInWords(
    againstTheCaller(
      said.map((s) => s.at),
      taps,
    ),
    said.map(nameOf),
  );
  return (
    <p role="status" className="tapped">
      {words.join(' ')}
    </p>
  );
}
