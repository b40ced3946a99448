import type { ExamineItem } from '../../contracts/views';
import type { SheetMark, SheetWord } from '../../core';

/** What stands on the sheet of one item of one candidate, as it is written. */
export interface Written {
  marks: SheetMark[];
  word: SheetWord | null;
  /** By the scale of the rule, where it has one. */
  mark: number | null;
  note: string;
}
export type SheetSide = SheetMark['side'];
export const BLANK: Written = { marks: [], word: null, mark: null, note: '' };

/** The repetitions of a point on a side as far as they are marked. */
export const repsOf = (w: Written, pointId: string, side: SheetSide): string =>
  w.marks.find((m) => m.pointId === pointId && m.side === side)?.reps ?? '';

const markOf = (w: Written, pointId: string, side: SheetSide) =>
  w.marks.find((m) => m.pointId === pointId && m.side === side);

function withReps(
  w: Written,
  pointId: string,
  side: SheetSide,
  reps: string,
  values = markOf(w, pointId, side)?.values,
): Written {
  const rest = w.marks.filter((m) => m.pointId !== pointId || m.side !== side);
  const measured = values?.some((x) => x !== null)
    ? { values: Array.from({ length: reps.length }, (_, i) => values[i] ?? null) }
    : {};
  return { ...w, marks: reps === '' ? rest : [...rest, { pointId, side, reps, ...measured }] };
}

/** What was measured there; null: nothing, or by eye. */
export const valueAt = (w: Written, pointId: string, side: SheetSide, rep: number): number | null =>
  markOf(w, pointId, side)?.values?.[rep] ?? null;

/** Where the next mark goes: a point from the ground up, and a repetition from 0. */
export interface Cursor {
  point: number;
  rep: number;
}

/** Marks where the cursor stands, with the measure where there is one; what lies before and was never marked was not seen. */
export function marked(
  w: Written,
  points: ExamineItem['points'],
  side: SheetSide,
  at: Cursor,
  mark: 'H' | 'S' | 'U',
  measure: number | null = null,
): Written {
  const p = points[at.point];
  if (!p) return w;
  const reps = repsOf(w, p.id, side).padEnd(at.rep, 'U');
  const values = Array.from({ length: Math.max(reps.length, at.rep + 1) }, (_, i) =>
    i === at.rep ? measure : valueAt(w, p.id, side, i),
  );
  return withReps(w, p.id, side, reps.slice(0, at.rep) + mark + reps.slice(at.rep + 1), values);
}

/** Where the cursor goes after a mark: the next repetition, then the next point that is not marked whole; null: all are. */
export function onward(
  w: Written,
  points: ExamineItem['points'],
  side: SheetSide,
  at: Cursor,
  repetitions: number,
): Cursor | null {
  if (at.rep + 1 < repetitions) return { point: at.point, rep: at.rep + 1 };
  for (let i = 1; i <= points.length; i += 1) {
    const point = (at.point + i) % points.length;
    const rep = repsOf(w, points[point]!.id, side).length;
    if (rep < repetitions) return { point, rep };
  }
  return null;
}

/** Everything of a side that is not marked held. */
export const restHeld = (w: Written, points: ExamineItem['points'], side: SheetSide, repetitions: number): Written =>
  points.reduce((now, p) => withReps(now, p.id, side, repsOf(now, p.id, side).padEnd(repetitions, 'H')), w);

/** The first repetition that is not marked, from the ground up; the ground itself where all are. */
export function firstOpen(w: Written, points: ExamineItem['points'], side: SheetSide, repetitions: number): Cursor {
  const point = points.findIndex((p) => repsOf(w, p.id, side).length < repetitions);
  return point < 0 ? { point: 0, rep: 0 } : { point, rep: repsOf(w, points[point]!.id, side).length };
}

export const sidesOf = (item: ExamineItem): SheetSide[] => (item.sided ? ['left', 'right'] : ['none']);

/** Marks that are still open over all sides, and whether the word is missing. */
export function openOf(w: Written, item: ExamineItem): { marks: number; word: boolean } {
  const asked = item.points.length * sidesOf(item).length * item.repetitions;
  const done = w.marks.reduce((n, m) => n + m.reps.length, 0);
  return { marks: Math.max(0, asked - done), word: w.word === null && w.mark === null && item.points.length === 0 };
}
