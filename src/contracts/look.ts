import * as v from 'valibot';
import { SIDES } from '../core';
import { date, id, line, whole } from './words';

export const markInput = v.variant('kind', [
  v.pipe(
    v.object({
      pointId: id,
      kind: v.picklist(['seen', 'counted', 'felt']),
      held: whole(0, 200, 'How many held'),
      of: whole(1, 200, 'The number of repetitions'),
    }),
    v.check((m) => m.held <= m.of, 'No more can hold than were done.'),
  ),
  v.object({
    pointId: id,
    kind: v.literal('measured'),
    values: v.pipe(v.array(v.pipe(v.number(), v.finite())), v.minLength(1), v.maxLength(200)),
  }),
]);

/** A look as a tablet writes it down. `at` is the tablet's instant; marks may be empty where a look takes another back. */
export const lookInput = v.object({
  id,
  studentId: id,
  techniqueId: id,
  conditionId: id,
  day: date,
  at: v.pipe(v.string(), v.isoTimestamp('This is no instant.')),
  side: v.picklist(SIDES),
  purpose: v.nullable(v.picklist(['show', 'study'])),
  replaces: v.nullable(id),
  note: line,
  marks: v.pipe(
    v.array(markInput),
    v.maxLength(60, 'A look has at most 60 marks.'),
    v.check(
      (marks) => new Set(marks.map((m) => m.pointId)).size === marks.length,
      'A point is marked twice in this look.',
    ),
  ),
});
export type LookInput = v.InferOutput<typeof lookInput>;
export type MarkInput = v.InferOutput<typeof markInput>;

export const classInput = v.object({
  id,
  day: date,
  minutes: whole(5, 600, 'The length of a class in minutes'),
  present: v.pipe(v.array(id), v.maxLength(500, 'No hall holds so many.')),
});
