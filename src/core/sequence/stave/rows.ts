import { type Zone } from '../../units/zone';
import { FEET_HALF } from './feet';
import { LETTERS } from './marks';
import type { StaveOptions, StaveRows } from './options';

export interface Rows {
  sec: number | null;
  n: number;
  b: number | null;
  h: number | null;
  t: number | null;
  zone: Record<Zone, number>;
  f: number | null;
  w: number | null;
  nm: number | null;
  /** Lane B. */
  zoneB: Record<Zone, number> | null;
  fB: number | null;
  nmB: number | null;
  height: number;
}

export function rowsOf(o: StaveOptions, show: StaveRows, two: boolean): Rows {
  const k = o.scale;
  let y = 2;
  const r: Rows = {
    sec: null,
    n: 0,
    b: null,
    h: null,
    t: null,
    zone: { upper: 0, middle: 0, lower: 0 },
    f: null,
    w: null,
    nm: null,
    zoneB: null,
    fB: null,
    nmB: null,
    height: 0,
  };
  const letters = (size: number) => size * k;
  if (show.sections) {
    r.sec = y + LETTERS.section;
    y += LETTERS.section + 14;
  }
  r.n = y + letters(LETTERS.count) * 0.95;
  y += letters(LETTERS.count) + 10;
  const names = () => {
    r.nm = y + letters(LETTERS.name) * 0.95;
    y += letters(LETTERS.name) * 2.3 + 4;
  };
  const feet = (set: 'f' | 'fB') => {
    r[set] = y + FEET_HALF * k;
    y += FEET_HALF * 2 * k;
  };
  const weight = () => {
    r.w = y + letters(LETTERS.label);
    y += letters(LETTERS.label) + 8;
  };
  const zones = (): Record<Zone, number> => {
    const top = y + 17 * k;
    y = top + 2 * o.zoneGap + 19 * k;
    return { upper: top, middle: top + o.zoneGap, lower: top + 2 * o.zoneGap };
  };
  if (show.breath) {
    r.b = y + 13 * k;
    y += 26 * k + 4;
  }
  if (show.facing) {
    r.h = y + 20 * k;
    y += 40 * k;
  }
  if (show.turn && show.facing) {
    r.t = y + letters(LETTERS.label) * 0.9;
    y += letters(LETTERS.label) + 6;
  }
  if (two) {
    // The two staves face each other: zone lines towards the middle, the lower ones innermost.
    if (show.names) names();
    if (show.feet) feet('f');
    if (show.weight) weight();
    r.zone = zones();
    y += 16 * k;
    const flipped = zones();
    r.zoneB = { upper: flipped.lower, middle: flipped.middle, lower: flipped.upper };
    if (show.feet) feet('fB');
    if (show.names) {
      r.nmB = y + letters(LETTERS.name) * 0.95;
      y += letters(LETTERS.name) * 2.3 + 4;
    }
  } else {
    r.zone = zones();
    if (show.feet) feet('f');
    if (show.weight) weight();
    if (show.names) names();
  }
  r.height = Math.ceil(y);
  return r;
}
