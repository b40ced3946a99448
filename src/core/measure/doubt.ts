import type { Range } from '../technique/point';
import type { Place } from '../technique/pose';
import { AS_THE_TABLE, LANDMARKS, LENGTH_ENDS, segmentCentres, type Landmark, type LengthEnd, type View } from './body';
import { MEASURES, type MeasureKind, type Subject } from './measures';

/** A landmark on the picture, in pixels with y down, and how far off it may be: one standard deviation, in pixels. */
export interface Pin {
  x: number;
  y: number;
  sd: number;
  /** Set or confirmed by thumb; a guess otherwise. */
  set: boolean;
  /** Nothing of it is to be seen: it keeps its guess and its doubt, and is not asked for. */
  covered?: boolean;
}
/** Landmarks of a body, and the ends of a known length that lies beside it. */
export type Pins = Readonly<Partial<Record<Landmark | LengthEnd, Pin>>>;

/** How long a pixel is, from what is seen in the picture. */
export interface Scale {
  /** Metres a pixel; null: what it is taken from is not there. */
  of: (pins: Pins) => number | null;
  /** What it is taken from: their doubt is the scale’s as well. */
  needs: readonly (Landmark | LengthEnd)[];
  /** How far off it may be besides, as a share of it: one standard deviation. */
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
  from: Readonly<Partial<Record<Landmark | LengthEnd, number>>>;
}

/** So far a landmark is moved to see what a number makes of it, in pixels. */
const STEP = 0.01;

/** Some landmarks as a body in metres, y up. */
function bodyOf(pins: Pins, metres: number, names: readonly Landmark[]): Partial<Record<Landmark, Place>> {
  const out: Partial<Record<Landmark, Place>> = {};
  for (const name of names) out[name] = { x: pins[name]!.x * metres, y: -pins[name]!.y * metres };
  return out;
}

/** Metres a pixel by hip and shoulder alone, .288 of stature apart (Winter, from memory): good enough for a doubt. */
function byTrunk({ hip, shoulder }: Pins, { stature }: Subject): number {
  const long = hip && shoulder ? Math.hypot(hip.x - shoulder.x, hip.y - shoulder.y) : 0;
  return long > 0 ? (0.288 * stature) / long : 0.01;
}

/**
 * The numbers of a view that the landmarks give, all or those that are named, with their doubt: errors of thumb or guess of
 * each landmark, of the scale and of the body’s table, carried through by the slopes of each number (first order; angles
 * near straight fold over at 180° and are the wider for it). Without a scale, angles and shares alone.
 */
export function measure(
  view: View,
  pins: Pins,
  scale: Scale | null,
  subject: Subject,
  keys: readonly string[] | null = null,
): Measured[] {
  const known = scale !== null && scale.of(pins) !== null ? scale : null;
  return MEASURES.filter(
    (k) =>
      k.view === view &&
      (keys === null || keys.includes(k.key)) &&
      (known !== null || !k.scaled) &&
      k.needs.every((n) => pins[n] !== undefined),
  ).map((kind): Measured => {
    // Angles and shares are the same at any scale; how far bodies differ is told in centimetres, as their trunk is long.
    const about = kind.weighed ? (known?.of(pins) ?? byTrunk(pins, subject)) : 0.01;
    const at = (of: Pins) =>
      kind.of(bodyOf(of, kind.scaled ? known!.of(of)! : about, kind.needs), subject, AS_THE_TABLE);
    const value = at(pins);
    // Where no scale hangs on it one place moves and the rest of the body stays. They are moved in place: this is done some
    // hundred times while a thumb moves on.
    const body = bodyOf(pins, about, kind.needs);
    const [movedPins, movedBody]: [Partial<Record<Landmark | LengthEnd, Pin>>, typeof body] = [
      { ...pins },
      { ...body },
    ];
    const moved = (name: Landmark | LengthEnd, dx: number, dy: number): number => {
      const p = pins[name]!;
      if (kind.scaled) {
        movedPins[name] = { ...p, x: p.x + dx, y: p.y + dy };
        const to = at(movedPins);
        movedPins[name] = p;
        return to;
      }
      const of = name as Landmark;
      movedBody[of] = { x: (p.x + dx) * about, y: -(p.y + dy) * about };
      const to = kind.of(movedBody, subject, AS_THE_TABLE);
      movedBody[of] = body[of]!;
      return to;
    };
    const from: Partial<Record<Landmark | LengthEnd, number>> = {};
    let variance = 0;
    const slope = (of: (by: number) => number, step: number) => (of(step) - of(-step)) / (2 * step);
    for (const name of new Set([...kind.needs, ...(kind.scaled ? known!.needs : [])])) {
      const dx = slope((d) => moved(name, d, 0), STEP);
      const dy = slope((d) => moved(name, 0, d), STEP);
      const part = (dx * dx + dy * dy) * pins[name]!.sd * pins[name]!.sd;
      from[name] = part;
      variance += part;
    }
    if (kind.scaled) variance += (value * known!.off) ** 2;
    if (kind.weighed) {
      const parts = segmentCentres(body)?.length ?? 0;
      for (let i = 0; i < parts; i += 1) {
        const d = slope((by) => kind.of(body, subject, { trunk: 0, mass: (_n, k) => (k === i ? 1 + by : 1) }), 1e-3);
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
 * The landmark to set next: of those that are guesses and not covered, the one that brings most doubt to what is wanted and
 * cannot be told yet. Null: everything wanted can be told, or only what was set by thumb is left in doubt.
 */
export function nextLandmark(
  view: View,
  pins: Pins,
  measured: readonly Measured[],
  wanted: readonly { key: string; accepted: Range }[],
): Landmark | LengthEnd | null {
  const open = wanted.flatMap((w) => {
    const m = measured.find((x) => x.kind.key === w.key);
    return m && told(m, w.accepted) === 'cannot tell' ? [m] : [];
  });
  const doubt = (name: Landmark | LengthEnd) =>
    open.reduce((sum, m) => sum + (m.from[name] ?? 0) / ((m.half / NINE_IN_TEN) ** 2 || 1), 0);
  const guesses = [...LANDMARKS[view], ...LENGTH_ENDS].filter(
    (n) => pins[n] && !pins[n].set && !pins[n].covered && doubt(n) > 1e-6,
  );
  return guesses.sort((a, b) => doubt(b) - doubt(a))[0] ?? null;
}
