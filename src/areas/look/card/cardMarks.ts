import type { MarkInput } from '../../../contracts/look';
import { inUnit, type PointKind } from '../../../core';
import type { Notch } from '../../../kit/marks/Stick';

/** What a card knows of one point: a notch for each repetition, or the values that were measured. */
export interface PointMarks {
  notches: Notch[];
  values: number[];
  /** How far off each value may be; null: by hand, nobody says. Left out: all by hand. */
  halves?: (number | null)[];
  /** Whether the notches stand in the order in which the repetitions were done. */
  ordered?: boolean;
  /** Of felt points: who felt it. */
  toldBy?: string | null;
}
export type CardMarks = Record<string, PointMarks>;

export const uncut = (of: number): PointMarks => ({ notches: Array.from({ length: of }, () => 'U'), values: [] });

/** A point nobody has touched: so many repetitions to be cut, or none yet where tries are counted as they come. */
export const uncutFor = (point: { kind: PointKind }, of: number): PointMarks =>
  point.kind === 'counted' ? { notches: [], values: [] } : uncut(of);

/** One try more of a counted point, hit or missed: as many as are made, in their order. */
export function tryOnce(p: PointMarks, cut: 'H' | 'S'): PointMarks {
  const tries = p.notches.filter((n) => n !== 'U');
  if (tries.length >= MOST_TRIES) return p;
  return { values: [], ordered: tries.length === 0 || p.ordered === true, notches: [...tries, cut] };
}
export const MOST_TRIES = 200;

/** One measure more, with how far off it may be where it was read off a picture or a clip. */
export const measured = (p: PointMarks, value: number, half: number | null): PointMarks => ({
  ...p,
  values: [...p.values, value],
  halves: [...p.values.map((_, i) => p.halves?.[i] ?? null), half],
});

/** One slip more: the next uncut repetition splits. */
export function slipOnce(p: PointMarks): PointMarks {
  const at = p.notches.indexOf('U');
  return at < 0 ? p : { ...p, notches: p.notches.map((n, i) => (i === at ? 'S' : n)) };
}

/** The rest held: every uncut repetition becomes a clean notch. */
export const holdRest = (p: PointMarks): PointMarks => ({ ...p, notches: p.notches.map((n) => (n === 'U' ? 'H' : n)) });

/** n of m held, by a digit key; slips stand first. */
export const heldOf = (n: number, of: number): PointMarks => ({
  values: [],
  notches: Array.from({ length: of }, (_, i) => (i < of - Math.min(n, of) ? 'S' : 'H')),
});

/** One repetition by its place: cut clean, split, uncut again. From then on the places are those of the repetitions. */
export function turnNotch(p: PointMarks, at: number): PointMarks {
  const next: Record<Notch, Notch> = { U: 'S', S: 'H', H: 'U' };
  return { ...p, ordered: true, notches: p.notches.map((n, i) => (i === at ? next[n] : n)) };
}

/** Another number of repetitions; what was cut stays as far as it fits. */
export function resize(p: PointMarks, of: number): PointMarks {
  const cut = p.notches.filter((n) => n !== 'U').slice(0, of);
  return { ...p, notches: [...cut, ...Array.from({ length: of - cut.length }, (): Notch => 'U')] };
}

export const held = (p: PointMarks): number => p.notches.filter((n) => n === 'H').length;
export const slipped = (p: PointMarks): number => p.notches.filter((n) => n === 'S').length;
export const isMarked = (p: PointMarks): boolean => p.values.length > 0 || p.notches.some((n) => n !== 'U');

/** In words, as the row says it. */
export function marksInWords(p: PointMarks, unit: string | null): string {
  if (p.values.length > 0) return p.values.map((v) => (unit === '°' || unit === '%' ? inUnit(v, unit) : v)).join(', ');
  const [h, s] = [held(p), slipped(p)];
  if (h + s === 0) return 'not seen';
  if (h + s < p.notches.length) return h === 0 ? `${s} ${s === 1 ? 'slip' : 'slips'}` : `${h} of ${h + s}`;
  return `${h} of ${p.notches.length}`;
}

/**
 * The marks of a card as a look takes them. Only what was seen counts: one slip and nothing else is none of one, and a
 * point nobody touched is not in the look at all.
 */
export function marksOf(points: readonly { id: string; kind: PointKind }[], card: CardMarks): MarkInput[] {
  return points.flatMap((point): MarkInput[] => {
    const p = card[point.id];
    if (!p || !isMarked(p)) return [];
    if (p.values.length > 0) {
      const halves = p.values.map((_, i) => p.halves?.[i] ?? null);
      const read = halves.some((h) => h !== null) ? { halves } : {};
      return [{ pointId: point.id, kind: 'measured', values: p.values, ...read }];
    }
    // What is to be measured and was only looked at is a mark by eye.
    const kind = point.kind === 'measured' ? 'seen' : point.kind;
    const seen = p.notches.filter((n) => n !== 'U');
    // Which repetition slipped is only known if all of them were cut in their places.
    const reps = p.ordered && seen.length === p.notches.length ? seen.join('') : null;
    const toldBy = point.kind === 'felt' ? (p.toldBy ?? null) : null;
    return [{ pointId: point.id, kind, held: held(p), of: held(p) + slipped(p), reps, toldBy }];
  });
}

/** Back from a look that was not finished, so that it goes on where it was. */
export function cardFrom(marks: readonly MarkInput[], of: number): CardMarks {
  return Object.fromEntries(
    marks.map((m) => [
      m.pointId,
      m.kind === 'measured'
        ? { notches: uncut(of).notches, values: [...m.values], ...(m.halves ? { halves: [...m.halves] } : {}) }
        : m.reps
          ? { notches: [...m.reps] as Notch[], values: [], ordered: true, toldBy: m.toldBy ?? null }
          : { ...resize(heldOf(m.held, m.of), Math.max(of, m.of)), toldBy: m.toldBy ?? null },
    ]),
  );
}
