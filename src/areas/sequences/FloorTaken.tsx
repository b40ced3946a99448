import { useMemo } from 'react';
import type { SequenceView } from '../../contracts/views';
import {
  fitRoom,
  footprint,
  hallCapacity,
  inWords,
  pairFootprint,
  plural,
  type Body,
  type PairTrace,
  type Sequence,
  type Trace,
} from '../../core';

/** In words what floor a sequence takes, how many fit a hall with it, and how far apart two partners stand. */
export function FloorTaken({
  read,
  trace,
  pair,
  body,
  hall,
}: {
  read: Sequence;
  trace: Trace;
  pair: PairTrace | null;
  body: Body;
  hall: SequenceView['halls'][number] | undefined;
}) {
  const fit = useMemo(() => (hall && !pair ? fitRoom(read, hall, body) : null), [hall, pair, read, body]);
  const takes = pair ? pairFootprint(pair) : footprint(trace);
  const people = (mode: 'together' | 'each') => {
    const n = hallCapacity(hall!, takes, mode).people;
    return pair ? `${inWords(n)} ${plural(n, 'pair')}` : inWords(n);
  };
  return (
    <p className="second">
      {pair ? 'A pair takes' : 'It takes'} {takes.width.toFixed(1)} by {takes.depth.toFixed(1)} m with reach.
      {hall && (
        <>
          {' '}
          In {hall.name}, {hall.width} by {hall.depth} m: {people('together')} together, {people('each')} each at their
          own time.
        </>
      )}
      {pair && <> {apartInWords(pair.apart)}</>}
      {fit && !fit.fits && (
        <> {fit.longest ? `Counts ${fit.longest.from} to ${fit.longest.to} fit it.` : 'Not one count fits it.'}</>
      )}
      {fit?.turned && <> It fits if one starts facing a side wall.</>}
    </p>
  );
}

/** “They begin 1.2 m apart, come as near as 0.7 m in count 3 and end at 1.9 m.” */
function apartInWords(apart: readonly number[]): string {
  const [start, ...after] = apart;
  if (start === undefined || after.length === 0) return '';
  const m = (x: number) => `${x.toFixed(1)} m`;
  const [least, most] = [Math.min(...after), Math.max(...after)];
  const end = after.at(-1)!;
  const told = (x: number) => m(x) !== m(start) && m(x) !== m(end);
  const between = [
    least < start && told(least) ? `come as near as ${m(least)} in count ${after.indexOf(least) + 1}` : '',
    most > start && told(most) ? `go as far as ${m(most)} in count ${after.indexOf(most) + 1}` : '',
  ].filter(Boolean);
  return m(end) === m(start) && between.length === 0
    ? `From centre to centre they stay ${m(start)} apart.`
    : `From centre to centre they begin ${m(start)} apart, ${[...between, `end at ${m(end)}`].join(', ')}.`;
}
