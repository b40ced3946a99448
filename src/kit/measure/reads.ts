import {
  MEASURES,
  nextLandmark,
  told,
  type Measured,
  type MeasureKind,
  type Pins,
  type Range,
  type Told,
  type Unit,
  type View,
} from '../../core';
import type { Pinned } from './pinning';

/** Who is measured. */
export interface MeasuredPerson {
  id: string;
  name: string;
  /** In centimetres; null: not known. */
  stature: number | null;
  /** Whether their pictures may be kept on this device; null: it is not offered here. */
  pictures: boolean | null;
}
/** A point of a card that is measured. */
export interface MeasuredPoint {
  id: string;
  name: string;
  unit: Unit | null;
  wanted: Range | null;
  /** What is accepted of whoever is looked at. */
  range: Range;
  /** What the school says it is read off; null: it does not. */
  measuredBy: string | null;
}
/** What is taken into the look: a number of a point, and how far off it may be. */
export interface Taken {
  pointId: string;
  value: number;
  half: number;
}
/** A point and the number of the picture that tells it. */
export interface Row {
  point: MeasuredPoint;
  kind: MeasureKind;
}
/** What a row says now. */
export interface RowRead extends Row {
  /** Null: it needs a length that is not known. */
  value: number | null;
  half: number;
  word: Told;
  /** It can be taken: not across an edge, and something it rests on was set by thumb. No model makes a mark. */
  sure: boolean;
}

const whole = (unit: string | null) => unit === '°' || unit === '%';
/** As it is shown and kept: whole degrees and shares, tenths otherwise; the width never rounded down. */
export const shownValue = (value: number, unit: string | null): number =>
  whole(unit) ? Math.round(value) : Math.round(value * 10) / 10;
export const shownHalf = (half: number, unit: string | null): number =>
  whole(unit) ? Math.ceil(half) : Math.ceil(half * 10 - 1e-9) / 10;

export const kindOf = (key: string): MeasureKind | undefined => MEASURES.find((m) => m.key === key);

/** What the picture says of each row. */
export function readRows(rows: readonly Row[], numbers: readonly Measured[], pins: Pins): RowRead[] {
  return rows.map(({ point, kind }): RowRead => {
    const m = numbers.find((x) => x.kind.key === kind.key);
    if (!m) return { point, kind, value: null, half: 0, word: 'cannot tell', sure: false };
    const word = told(m, point.range);
    const { unit } = kind;
    return {
      point,
      kind,
      value: shownValue(m.value, unit),
      half: shownHalf(m.half, unit),
      word,
      sure: word !== 'cannot tell' && kind.needs.some((n) => pins[n]?.set),
    };
  });
}

/** The landmark that is asked for next: what widens most a number that cannot be told, or one that no thumb has confirmed yet. */
export function askedNext(
  view: View,
  pins: Pins,
  numbers: readonly Measured[],
  rows: readonly RowRead[],
): Pinned | null {
  const wanted = rows.map((r) => ({ key: r.kind.key, accepted: r.point.range }));
  const next = nextLandmark(view, pins, numbers, wanted);
  if (next !== null) return next;
  const untouched = rows.find((r) => r.word !== 'cannot tell' && !r.sure);
  const from = numbers.find((m) => m.kind.key === untouched?.kind.key)?.from ?? {};
  const open = (Object.entries(from) as [Pinned, number][]).filter(([n]) => !pins[n]?.set && !pins[n]?.covered);
  return open.sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}
