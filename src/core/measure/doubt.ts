import type { Range } from '../technique/point';
import type { Place } from '../technique/pose';
import { AS_THE_TABLE, LANDMARKS, segmentCentres, type Sighted, type Landmark, type View } from './body';
import { MEASURES, type MeasureKind, type Subject } from './measures';

/** A landmark on the picture, in pixels with y down, and how far off it may be: one standard deviation, in pixels. */
export interface Pin {
  x: number;
  y: number;
  sd: number;
  /** Set or confirmed by thumb; a guess otherwise. */
  set: boolean;
}
export type Pins = Readonly<Partial<Record<Landmark, Pin>>>;

/** How long a pixel is, in metres, and how far off that may be, as a share of it; null: no length is known. */
export interface Scale {
  metres: number;
  off: number;
}

/** How far bodies differ from the table: each part’s mass by a tenth, the trunk’s centre by 2 cm (ours, no source). */
export const MASS_DIFFERS = 0.1;
export const TRUNK_DIFFERS = 0.02;
/** Nine times in ten within 1.645 standard deviations of a normal error. */
export const NINE_IN_TEN = 1.6449;

/** A number read off a picture, and how far off it may be: nine times in ten within `half`. */
export interface Measured {
  kind: MeasureKind;
  value: number;
  half: number;
  /** The part of its variance that each landmark brings. */
  from: Readonly<Partial<Record<Landmark, number>>>;
}

const STEP = 1e-4;

/** Landmarks as a body in metres, y up; without a scale a pixel is taken for a metre’s hundredth, for angles alone. */
export function bodyOf(pins: Pins, scale: Scale | null): Sighted {
  const m = scale?.metres ?? 0.01;
  const out: Partial<Record<Landmark, Place>> = {};
  for (const [name, p] of Object.entries(pins) as [Landmark, Pin][]) out[name] = { x: p.x * m, y: -p.y * m };
  return out;
}

/**
 * Every number of a view that the landmarks give, with its doubt: errors of thumb or guess of each landmark, of the scale
 * and of the body’s table, carried through by the slopes of each number (first order; angles near straight fold over at
 * 180° and are the wider for it). Without a scale, angles and shares alone.
 */
export function measure(view: View, pins: Pins, scale: Scale | null, subject: Subject): Measured[] {
  const body = bodyOf(pins, scale);
  const m = scale?.metres ?? 0.01;
  return MEASURES.filter(
    (k) => k.view === view && (scale !== null || !k.scaled) && k.needs.every((n) => pins[n] !== undefined),
  ).map((kind): Measured => {
    const value = kind.of(body, subject, AS_THE_TABLE);
    const from: Partial<Record<Landmark, number>> = {};
    let variance = 0;
    const slope = (moved: (by: number) => number, step: number) => (moved(step) - moved(-step)) / (2 * step);
    for (const name of kind.needs) {
      const p = body[name]!;
      const sd = pins[name]!.sd * m;
      const dx = slope(
        (d) => kind.of({ ...body, [name]: { x: p.x + d, y: p.y } }, subject, AS_THE_TABLE),
        STEP * Math.max(1, m * 100),
      );
      const dy = slope(
        (d) => kind.of({ ...body, [name]: { x: p.x, y: p.y + d } }, subject, AS_THE_TABLE),
        STEP * Math.max(1, m * 100),
      );
      const part = (dx * dx + dy * dy) * sd * sd;
      from[name] = part;
      variance += part;
    }
    if (kind.scaled && scale) variance += (value * scale.off) ** 2;
    if (kind.weighed) {
      const parts = segmentCentres(body)?.length ?? 0;
      for (let i = 0; i < parts; i += 1) {
        const d = slope((by) => kind.of(body, subject, { trunk: 0, mass: (_n, at) => (at === i ? 1 + by : 1) }), 1e-3);
        variance += (d * MASS_DIFFERS) ** 2;
      }
      const d = slope((by) => kind.of(body, subject, { mass: () => 1, trunk: by }), 1e-3);
      variance += (d * TRUNK_DIFFERS) ** 2;
    }
    return { kind, value, half: NINE_IN_TEN * Math.sqrt(variance), from };
  });
}

/** What a number says of a range: wholly inside, wholly outside, or it cannot tell. */
export type Told = 'accepted' | 'out' | 'cannot tell';
export function told(m: Pick<Measured, 'value' | 'half'>, accepted: Range): Told {
  const [lo, hi] = [m.value - m.half, m.value + m.half];
  if (lo >= accepted.lo && hi <= accepted.hi) return 'accepted';
  return hi < accepted.lo || lo > accepted.hi ? 'out' : 'cannot tell';
}

/**
 * The landmark to set next: of those that are guesses, the one that brings most doubt to what is wanted and cannot be told
 * yet. Null: everything wanted can be told, or only what was set by thumb is left in doubt.
 */
export function nextLandmark(
  view: View,
  pins: Pins,
  measured: readonly Measured[],
  wanted: readonly { key: string; accepted: Range }[],
): Landmark | null {
  const open = wanted.flatMap((w) => {
    const m = measured.find((x) => x.kind.key === w.key);
    return m && told(m, w.accepted) === 'cannot tell' ? [m] : [];
  });
  const doubt = (name: Landmark) =>
    open.reduce((sum, m) => sum + (m.from[name] ?? 0) / ((m.half / NINE_IN_TEN) ** 2 || 1), 0);
  const guesses = LANDMARKS[view].filter((n) => pins[n] && !pins[n].set && doubt(n) > 1e-6);
  return guesses.sort((a, b) => doubt(b) - doubt(a))[0] ?? null;
}
