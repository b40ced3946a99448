import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useEffect, useMemo, useRef, useState } from 'react';
import {
  capital,
  CLIP_EVENTS,
  fallTime,
  frameRate,
  gapBefore,
  inUnit,
  isUneven,
  lapse,
  nearestSlowed,
  readingOf,
  SLOWED,
  slowedByFall,
  told,
  type ClipEvent,
  type Gap,
} from '../../core';
import { RuleMark } from '../marks/small';
import { Switch } from '../Switch';
import './ClipMeasure.css';
import { ClipShare, firstWay, shareOf, type WayPins } from './ClipShare';
import { FrameStrip } from './FrameStrip';
import { MeasureSheet } from './MeasureSheet';
import { frameReader, openClip, type Clip } from './openClip';
import { PegFrames } from './PegFrames';
import { PegsFound } from './PegsFound';
import type { MeasuredPoint, Taken } from './reads';
import { drawnClip } from './standIn';

const WHY_NOT = {
  'no clip': 'This clip cannot be opened here. Take another, or say it by eye; the look is as it was.',
  'too long': 'A minute of film at most: cut it to the one repetition, or take another.',
} as const;
const eventsKey = (pointId: string) => `stavewright-clip-${pointId}`;
const isEvent = (e: unknown): e is ClipEvent => CLIP_EVENTS.some((x) => x === e);
const signed = (n: number) => (n > 0 ? `+${n}` : n < 0 ? `−${-n}` : '0');
const eventsOf = (pointId: string): readonly [ClipEvent, ClipEvent] => {
  const [a, b] = (localStorage.getItem(eventsKey(pointId)) ?? '').split('|');
  return isEvent(a) && isEvent(b) ? [a, b] : ['the foot lands', 'the hand arrives'];
};
/** So fast no camera films without being told to: then the file’s own clock is the true one. */
const SURELY_TRUE = 90;

/** Milliseconds between two events of a short film that never leaves the device, with what its frames leave in doubt. */
export default function ClipMeasure({
  name,
  point,
  onTake,
  onClose,
}: {
  name: string;
  point: MeasuredPoint;
  onTake: (taken: Taken[]) => void;
  onClose: () => void;
}) {
  const { range } = point;
  const fixed = readingOf(point.measuredBy, 'none');
  const shareAt = fixed?.off === 'clip' && 'shareAt' in fixed ? fixed.shareAt : null;
  const byTheSchool = fixed?.off === 'clip' && 'from' in fixed ? ([fixed.from, fixed.to] as const) : null;
  const [clip, setClip] = useState<Clip | null>(null);
  /** How many were opened: what was said of one is not said of the next. */
  const [nth, setNth] = useState(0);
  const [gaps, setGaps] = useState<readonly [Gap, Gap]>([
    { last: 0, first: 1 },
    { last: 0, first: 1 },
  ]);
  // Where nobody has pegged yet, a peg stands anywhere and says nothing.
  const [pegged, setPegged] = useState<readonly [boolean, boolean]>([false, false]);
  const peg = (i: 0 | 1, g: Gap) => {
    setGaps((now) => (i === 0 ? [g, now[1]] : [now[0], g]));
    setPegged((now) => (i === 0 ? [true, now[1]] : [now[0], true]));
  };
  const [events, setEvents] = useState(() => byTheSchool ?? eventsOf(point.id));
  const [slowed, setSlowed] = useState<number | null>(null);
  const said = useRef<number | null>(null);
  const say = (factor: number | null) => {
    said.current = factor;
    setSlowed(factor);
  };
  const [way, setWay] = useState<WayPins | null>(null);
  const [ball, setBall] = useState(false);
  const [fell, setFell] = useState('1');
  const [opening, setOpening] = useState(false);
  const [wrong, setWrong] = useState('');
  const open = useRef<Clip | null>(null);
  const left = useRef(false);
  useEffect(() => {
    left.current = false;
    return () => {
      left.current = true;
      open.current?.close();
    };
  }, []);
  const read = useMemo(() => (clip ? frameReader(clip) : null), [clip]);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setOpening(true);
    setWrong('');
    const c = await openClip(file);
    setOpening(false);
    if (typeof c === 'string') return setWrong(WHY_NOT[c]);
    // Left while it was read: nothing of it stays.
    if (left.current) return c.close();
    begin(c);
  };
  const begin = (c: Clip) => {
    open.current?.close();
    open.current = c;
    const n = c.times.length;
    setClip(c);
    setNth((k) => k + 1);
    setWay(firstWay(c));
    setGaps([gapBefore(c.times, Math.round(n / 3)), gapBefore(c.times, Math.round(n / 2))]);
    setPegged([false, false]);
    // What was said of the camera stays; what was only taken from the last file does not hold for the next.
    setSlowed(said.current ?? (frameRate(c.times, 1)! >= SURELY_TRUE ? 1 : null));
  };
  const inSeconds = point.unit === 's';
  const both = pegged[0] && pegged[1];
  const ms = clip && both && slowed !== null ? lapse(clip.times, gaps[0], gaps[1], slowed) : null;
  const share = clip && way && shareAt ? shareOf(clip, way) : null;
  const found = shareAt ? share : ms && (inSeconds ? { value: ms.value / 1000, half: ms.half / 1000 } : ms);
  const halfOf = (n: number) => (inSeconds ? Math.ceil(n * 100) / 100 : Math.ceil(n));
  const round = (n: number) => (inSeconds ? Math.round(n * 100) / 100 : Math.round(n));
  const word = found ? told(found, range) : 'cannot tell';
  const rate = clip ? frameRate(clip.times, slowed ?? 1) : null;
  const metres = Number(fell.replace(',', '.'));
  const byBall = clip && both && metres > 0 ? slowedByFall(clip.times, gaps[0], gaps[1], metres) : null;
  const asFilmed = byBall === null ? null : nearestSlowed(byBall);
  const names = ball ? (['the ball is let go', 'the ball lands'] as const) : events;
  const choose = (i: 0 | 1, e: ClipEvent) => {
    const next: [ClipEvent, ClipEvent] = i === 0 ? [e, events[1]] : [events[0], e];
    setEvents(next);
    localStorage.setItem(eventsKey(point.id), next.join('|'));
  };
  const drawn = clip?.drawn && (shareAt ? clip.drawn.share(shareAt) : clip.drawn.between(...events));
  const drawnWith =
    drawn === undefined || drawn === null || ball
      ? ''
      : ` Drawn with ${shareAt ? `${Math.round(drawn)}%` : inUnit(signed(round(inSeconds ? drawn / 1000 : drawn)), point.unit)}.`;
  const canTake =
    !clip?.drawn && found !== null && word !== 'cannot tell' && (shareAt !== null || (!ball && names[0] !== names[1]));
  return (
    <MeasureSheet
      title={`${name}: ${point.name}`}
      sub={
        <>
          Accepted is {range.lo < 0 ? `−${-range.lo}` : range.lo} to {inUnit(range.hi, point.unit)}.{' '}
          {clip && rate !== null && (
            <>
              {clip.times.length} frames,{' '}
              {slowed === null ? (
                `${Math.round(rate)} a second as it plays`
              ) : (
                <>
                  {Math.round(rate)} a second{slowed === 1 ? ' by the clip’s own clock' : ' as it was taken'}
                </>
              )}
              {isUneven(clip.times) ? '; they come unevenly, which widens what is told' : ''}.
            </>
          )}
        </>
      }
      onClose={onClose}
      footer={
        <>
          <p className="quiet">
            <b>Nothing leaves this device.</b> The film goes when this closes; the number stays.
          </p>
          <Button onClick={onClose}>Leave it</Button>
          {ball ? (
            <Button
              variant="contained"
              disabled={asFilmed === null}
              onClick={() => {
                say(asFilmed);
                setBall(false);
              }}
            >
              {asFilmed === null
                ? 'Not a fall yet'
                : asFilmed === 1
                  ? 'It plays as fast as it was'
                  : `It plays ${asFilmed} times slower`}
            </Button>
          ) : (
            <Button
              variant="contained"
              disabled={!canTake}
              onClick={() => {
                if (found) onTake([{ pointId: point.id, value: round(found.value), half: halfOf(found.half) }]);
                onClose();
              }}
            >
              {canTake
                ? `Take ${inUnit(shareAt ? round(found.value) : signed(round(found.value)), point.unit)} into the look`
                : clip?.drawn
                  ? 'A drawing is nobody’s look'
                  : 'Cannot tell yet'}
            </Button>
          )}
        </>
      }
    >
      <div className="row wrap clip-choices">
        {shareAt && <p className="quiet">Share of the way when {shareAt}: the hand is tapped in four frames.</p>}
        {byTheSchool && !ball && (
          <p className="quiet">
            From when {byTheSchool[0]} to when {byTheSchool[1]}
          </p>
        )}
        {!ball &&
          !shareAt &&
          !byTheSchool &&
          ([0, 1] as const).map((i) => (
            <TextField
              key={i}
              select
              label={i === 0 ? 'From when' : 'To when'}
              value={events[i]}
              onChange={(e) => isEvent(e.target.value) && choose(i, e.target.value)}
            >
              {CLIP_EVENTS.map((e) => (
                <MenuItem key={e} value={e}>
                  {e}
                </MenuItem>
              ))}
            </TextField>
          ))}
        {ball && <TextField label="It fell, in metres" value={fell} onChange={(e) => setFell(e.target.value)} />}
        {clip && !ball && !shareAt && (
          <TextField
            select
            label="The film plays"
            value={slowed === null ? '' : String(slowed)}
            onChange={(e) => say(Number(e.target.value))}
          >
            {SLOWED.map((f) => (
              <MenuItem key={f} value={String(f)}>
                {f === 1 ? 'as fast as it was' : `${f} times slower`}
              </MenuItem>
            ))}
          </TextField>
        )}
        {clip && !shareAt && (
          <Switch
            label="What it shows"
            value={ball ? 'ball' : 'move'}
            options={[
              { value: 'move', word: 'the move' },
              { value: 'ball', word: 'a ball that falls' },
            ]}
            onChange={(w) => setBall(w === 'ball')}
            mat
          />
        )}
        <Button component="label">
          {clip ? 'Another clip' : 'Take a clip'}
          <input
            hidden
            type="file"
            accept="video/*"
            capture="environment"
            aria-label="Take a clip"
            onChange={(e) => {
              void take(e.target.files?.[0]);
              // The same one once more is heard as well.
              e.target.value = '';
            }}
          />
        </Button>
        {!clip && <Button onClick={() => begin(drawnClip())}>Try it on a drawn film</Button>}
      </div>
      <div role="status">{opening && <p>Reading the frames…</p>}</div>
      <div role="alert">{wrong !== '' && <p className="message wrong">{wrong}</p>}</div>
      {clip && read && way && shareAt && (
        <>
          <ClipShare clip={clip} read={read} event={shareAt} way={way} onWay={setWay} />
          <p className="measure-value" aria-live="polite">
            {found ? (
              <>
                <b className="num">{round(found.value)}</b> ± {halfOf(found.half)}% of the way: {word}.{drawnWith}
              </>
            ) : (
              'Tap the hand in all four frames.'
            )}
          </p>
        </>
      )}
      {clip && read && !shareAt && (
        <>
          {!ball && (
            <PegsFound
              key={`${nth} ${events.join()}`}
              read={read}
              times={clip.times}
              events={events}
              gaps={gaps}
              onGap={peg}
            />
          )}
          <div className="clip-pegs">
            {([0, 1] as const).map((i) => (
              <PegFrames
                key={i}
                what={names[i]}
                times={clip.times}
                gap={gaps[i]}
                read={read}
                round={i === 1}
                onGap={(g) => peg(i, g)}
              />
            ))}
            <aside>
              <p className="measure-value" aria-live="polite">
                {ball ? (
                  byBall === null ? (
                    'Peg the frame in which the ball is let go, and the one in which it lands.'
                  ) : (
                    <>
                      It falls {Math.round(fallTime(metres))} ms. The film says{' '}
                      <b className="num">{Math.round(byBall * 10) / 10}</b> times as long
                      {asFilmed === null ? ': no camera films so, peg it again or measure the height' : ''}.
                    </>
                  )
                ) : names[0] === names[1] ? (
                  'Choose two events.'
                ) : found ? (
                  <>
                    <b className="num">{signed(round(found.value))}</b> ± {inUnit(halfOf(found.half), point.unit)}:{' '}
                    {word}.{drawnWith}
                  </>
                ) : slowed === null ? (
                  'Say how the film was taken: else no time can be told from it.'
                ) : (
                  'Peg both: between the last frame in which it had not come and the first in which it had.'
                )}
              </p>
              {!ball && (
                <RuleMark accepted={range} wanted={point.wanted} unit={point.unit ?? 'ms'} read={found} width={196} />
              )}
              <p className="quiet">
                {!ball &&
                  found &&
                  found.value !== 0 &&
                  `${capital(names[found.value > 0 ? 1 : 0])} after ${names[found.value > 0 ? 0 : 1]}. `}
                {!ball &&
                  found &&
                  word === 'cannot tell' &&
                  'The width lies across an edge: peg closer, film with more frames a second, or say it by eye. '}
                {slowed === null && !ball && 'Not sure? Film a ball dropped from 1 m the same way: it falls 452 ms.'}
              </p>
              <h2>A clip cannot tell</h2>
              <p>
                <b>If weight was in it.</b> On a pad the holder tells.
              </p>
              <p>
                <b>How hard.</b> Sound runs late, 3 ms a metre.
              </p>
              <p>
                <b>If it is habit.</b> One is no proof.
              </p>
            </aside>
          </div>
          <FrameStrip
            times={clip.times}
            gaps={[
              { gap: gaps[0], round: false },
              { gap: gaps[1], round: true },
            ]}
            read={read}
          />
        </>
      )}
    </MeasureSheet>
  );
}
