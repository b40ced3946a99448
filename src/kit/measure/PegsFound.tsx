import Button from '@mui/material/Button';
import { useEffect, useRef, useState } from 'react';
import { capital, isFoundEvent, listInWords, type ClipEvent, type FrameTimes, type Gap } from '../../core';
import { findPegs, type PegsLooked } from './findPegs';
import type { FrameReader } from './openClip';

type State = { at: 'idle' } | { at: 'looking'; far: PegsLooked | null } | { at: 'said'; words: string };

/** Has both pegs proposed by a model that looks at the frames on this device; can be stopped. */
export function PegsFound({
  read,
  times,
  events,
  gaps: pegged,
  onGap,
}: {
  read: FrameReader;
  times: FrameTimes;
  events: readonly [ClipEvent, ClipEvent];
  gaps: readonly [Gap, Gap];
  onGap: (i: 0 | 1, gap: Gap) => void;
}) {
  const [state, setState] = useState<State>({ at: 'idle' });
  const stop = useRef<AbortController | null>(null);
  const latest = useRef(pegged);
  useEffect(() => {
    latest.current = pegged;
  });
  useEffect(() => () => stop.current?.abort(), [read]);
  if (!events.some(isFoundEvent) || events[0] === events[1]) return null;
  const begin = async () => {
    const mine = new AbortController();
    stop.current?.abort();
    stop.current = mine;
    setState({ at: 'looking', far: null });
    const before = latest.current;
    const gaps = await findPegs(read, times, events, (far) => setState({ at: 'looking', far }), mine.signal);
    if (mine.signal.aborted) return setState({ at: 'idle' });
    // What a thumb has pegged meanwhile is never moved by a guess.
    for (const i of [0, 1] as const) if (gaps?.[i] && latest.current[i] === before[i]) onGap(i, gaps[i]);
    const open = events.filter((_, i) => !gaps?.[i]);
    setState({
      at: 'said',
      words:
        gaps === null
          ? 'It could not be looked for here: peg by hand.'
          : open.length === 2
            ? 'It cannot be told from this film: peg by hand.'
            : `A guess: look at both sides of each peg and move it where it is wrong.${open.length > 0 ? ` ${capital(listInWords(open))} is yours to peg.` : ''}`,
    });
  };
  if (state.at === 'looking') {
    const { far } = state;
    const words =
      far === null
        ? 'Looking…'
        : 'share' in far
          ? `What finds a body is fetched, once: ${Math.round(far.share * 100)} in 100.`
          : `${far.looked} of ${far.of} frames looked at.`;
    return (
      <div className="row">
        <Button onClick={() => stop.current?.abort()}>Stop looking</Button>
        <p role="status" className="quiet">
          {words}
        </p>
      </div>
    );
  }
  return (
    <div className="row">
      <Button onClick={() => void begin()}>Look for both</Button>
      <p role="status" className="quiet">
        {state.at === 'said' ? state.words : 'A model on this device looks for them; you confirm.'}
      </p>
    </div>
  );
}
