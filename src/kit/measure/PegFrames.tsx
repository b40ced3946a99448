import Button from '@mui/material/Button';
import Slider from '@mui/material/Slider';
import { capital, gapBefore, moveGap, widerGap, type FrameTimes, type Gap } from '../../core';
import { FrameCanvas } from './FrameCanvas';
import type { FrameReader } from './openClip';

/** One event: the last frame in which it had not come, the first in which it had, and how the peg between them is moved. */
export function PegFrames({
  what,
  times,
  gap,
  read,
  round,
  onGap,
}: {
  what: string;
  times: FrameTimes;
  gap: Gap;
  read: FrameReader;
  /** A fist's peg has a round head, a foot's a flat one. */
  round: boolean;
  onGap: (gap: Gap) => void;
}) {
  return (
    <section className="peg-frames" aria-label={capital(what)}>
      <h2>
        {capital(what)}{' '}
        <span className="quiet num">
          between {gap.last + 1} and {gap.first + 1}
        </span>
      </h2>
      <div className="peg-two">
        <figure>
          <FrameCanvas read={read} frame={gap.last} label={`Frame ${gap.last + 1}`} />
          <figcaption>
            <b className="num">{gap.last + 1}</b> not yet
          </figcaption>
        </figure>
        <Peg round={round} />
        <figure>
          <FrameCanvas read={read} frame={gap.first} label={`Frame ${gap.first + 1}`} />
          <figcaption>
            <b className="num">{gap.first + 1}</b> now
          </figcaption>
        </figure>
      </div>
      <Slider
        size="small"
        min={1}
        max={times.length - 1}
        value={gap.first}
        onChange={(_, to) => onGap(gapBefore(times, to))}
        getAriaLabel={() => `${capital(what)}, from which frame on`}
        getAriaValueText={() => `between frame ${gap.last + 1} and ${gap.first + 1}`}
      />
      <div className="row">
        <Button disabled={gap.last === 0} onClick={() => onGap(moveGap(times, gap, -1))}>
          One back
        </Button>
        <Button onClick={() => onGap(widerGap(times, gap))}>Not sure</Button>
        <Button disabled={gap.first === times.length - 1} onClick={() => onGap(moveGap(times, gap, 1))}>
          One on
        </Button>
      </div>
    </section>
  );
}

/** A peg in the gap, never on a frame. */
export function Peg({ round }: { round: boolean }) {
  return (
    <svg width="18" height="56" viewBox="0 0 18 56" aria-hidden="true">
      {round ? (
        <circle cx="9" cy="9" r="8" fill="var(--pine)" />
      ) : (
        <rect width="18" height="9" rx="3" y="2" fill="var(--pine)" />
      )}
      <rect x="6.5" y="9" width="5" height="47" fill="var(--pine)" />
    </svg>
  );
}
