import Slider from '@mui/material/Slider';
import { capital, gapBefore, shareBetween, shareOfPath, type ClipEvent, type Gap, type Lapse } from '../../core';
import { FrameTap, type Spot } from './FrameTap';
import type { Clip, FrameReader } from './openClip';

/** What a thumb on a frame is off by, as a share of its height: no glass stands over it. */
const TAP_OFF = 0.008;
export const PLACES = ['begins', 'ends', 'last', 'first'] as const;
export type Place = (typeof PLACES)[number];
/** Where the way begins and ends, in which frames, and where the hand stands in each. */
export interface WayPins {
  begins: number;
  ends: number;
  event: Gap;
  spots: Partial<Record<Place, Spot>>;
}

export const firstWay = (clip: Clip): WayPins => {
  const n = clip.times.length;
  return { begins: 0, ends: n - 1, event: gapBefore(clip.times, Math.round(n / 2)), spots: {} };
};

/** The share of the way at the event, in percent; null: the hand is not set in all four frames, or went nowhere. */
export function shareOf(clip: Clip, { spots }: WayPins): Lapse | null {
  const px = (s: Spot) => ({ x: s.x * clip.width, y: s.y * clip.height });
  const { begins, ends, last, first } = spots;
  if (!begins || !ends || !last || !first) return null;
  const at = (s: Spot) => shareOfPath(px(begins), px(ends), px(s), TAP_OFF * clip.height);
  const [a, b] = [at(last), at(first)];
  return a && b ? shareBetween(a, b) : null;
}

/** Four frames: where the way of the hand begins and ends, and both sides of the event; the hand is tapped in each. */
export function ClipShare({
  clip,
  read,
  event,
  way,
  onWay,
}: {
  clip: Clip;
  read: FrameReader;
  event: ClipEvent;
  way: WayPins;
  onWay: (way: WayPins) => void;
}) {
  const last = clip.times.length - 1;
  const frameOf = { begins: way.begins, ends: way.ends, last: way.event.last, first: way.event.first };
  const said: Record<Place, string> = {
    begins: 'the way begins',
    ends: 'the way ends',
    last: `just before ${event}`,
    first: event,
  };
  // In another frame the hand stands elsewhere: it is tapped anew.
  const without = (...places: Place[]) =>
    Object.fromEntries(Object.entries(way.spots).filter(([p]) => !places.includes(p as Place)));
  const tap = (place: Place) => (
    <figure key={place}>
      <FrameTap
        read={read}
        frame={frameOf[place]}
        label={`Frame ${frameOf[place] + 1}, ${said[place]}`}
        shape={clip}
        spot={way.spots[place] ?? null}
        onSpot={(spot) => onWay({ ...way, spots: { ...way.spots, [place]: spot } })}
      />
      <figcaption>
        <b className="num">{frameOf[place] + 1}</b> {said[place]}
      </figcaption>
    </figure>
  );
  return (
    <div className="way-frames">
      {(['begins', 'ends'] as const).map((place) => (
        <section key={place} aria-label={capital(said[place])}>
          {tap(place)}
          <Slider
            size="small"
            min={0}
            max={last}
            value={way[place]}
            onChange={(_, to) => onWay({ ...way, [place]: to, spots: without(place) })}
            getAriaLabel={() => `${capital(said[place])}, in which frame`}
            getAriaValueText={(n) => `frame ${n + 1}`}
          />
        </section>
      ))}
      <section aria-label={capital(event)} className="wide">
        <div className="way-two">
          {tap('last')}
          {tap('first')}
        </div>
        <Slider
          size="small"
          min={1}
          max={last}
          value={way.event.first}
          onChange={(_, to) => onWay({ ...way, event: gapBefore(clip.times, to), spots: without('last', 'first') })}
          getAriaLabel={() => `${capital(event)}, from which frame on`}
          getAriaValueText={(n) => `between frame ${n} and ${n + 1}`}
        />
      </section>
    </div>
  );
}
