import * as v from 'valibot';
import { LANES, MOST_MOVES, SIDES, STAGES, readShowing } from '../core';
import { date, id, instant, line, prose, whole } from './fields';

export const markInput = v.variant('kind', [
  v.pipe(
    v.object({
      pointId: id,
      kind: v.picklist(['seen', 'counted', 'felt']),
      held: whole(0, 200, 'How many held'),
      of: whole(1, 200, 'The number of repetitions'),
      /** Which repetition slipped, where that was seen: one letter each. */
      reps: v.optional(v.nullable(v.pipe(v.string(), v.regex(/^[HS]{1,200}$/, 'One letter a repetition.'))), null),
      /** Of felt points: who felt it. */
      toldBy: v.optional(v.nullable(id), null),
    }),
    v.forward(
      v.check((m) => m.held <= m.of, 'No more can hold than were done.'),
      ['held'],
    ),
    v.check(
      (m) => m.reps === null || (m.reps.length === m.of && [...m.reps].filter((r) => r === 'H').length === m.held),
      'The repetitions do not add up to what held.',
    ),
  ),
  v.pipe(
    v.object({
      pointId: id,
      kind: v.literal('measured'),
      values: v.pipe(v.array(v.pipe(v.number(), v.finite())), v.minLength(1), v.maxLength(200)),
      /** How far off each may be, nine times in ten; null: by hand, nobody says. */
      halves: v.optional(v.nullable(v.array(v.nullable(v.pipe(v.number(), v.finite(), v.minValue(0))))), null),
    }),
    v.check(
      (m) => m.halves === null || m.halves.length === m.values.length,
      'The widths do not fit what was measured.',
    ),
  ),
]);

/** What slipped at which count, where it was named, and how it felt to whoever can tell. */
export const slipsShape = v.pipe(
  v.array(
    v.pipe(
      v.object({
        count: whole(1, MOST_MOVES, 'A count'),
        pointId: v.nullable(id),
        what: line,
        toldBy: v.optional(v.nullable(id), null),
        held: v.optional(v.boolean(), false),
      }),
      v.check((s) => !s.held || s.toldBy !== null, 'What held is told by whoever felt it.'),
    ),
  ),
  v.maxLength(MOST_MOVES),
);

/** How the counts of a sequence, or of a part of it, went in one showing. */
export const showingInput = v.pipe(
  v.object({
    id,
    from: whole(1, MOST_MOVES, 'The first count'),
    to: whole(1, MOST_MOVES, 'The last count'),
    ofCounts: whole(1, MOST_MOVES, 'The number of counts'),
    counts: v.pipe(
      v.string(),
      v.check((c) => readShowing(c) !== null, 'These are no marks of counts.'),
    ),
    slips: slipsShape,
    /** Of a drill for two: whose part was watched. */
    lane: v.optional(v.nullable(v.picklist(LANES)), null),
  }),
  v.check(
    (s) => s.from <= s.to && s.to <= s.ofCounts && readShowing(s.counts)?.counts.length === s.to - s.from + 1,
    'The marks do not fit the counts.',
  ),
);

/** A look as a tablet writes it down. `at` is the tablet's instant; marks may be empty where a look takes another back. */
const lookShape = v.object({
  id,
  studentId: id,
  techniqueId: v.nullable(id),
  sequence: v.optional(v.nullable(showingInput), null),
  stage: v.optional(v.nullable(v.picklist(STAGES)), null),
  conditionId: id,
  day: date,
  at: instant,
  side: v.picklist(SIDES),
  purpose: v.nullable(v.picklist(['show', 'study'])),
  /** Who received it, where it was done with a partner and that was said. */
  partnerId: v.optional(v.nullable(id), null),
  replaces: v.nullable(id),
  note: prose,
  marks: v.pipe(
    v.array(markInput),
    v.maxLength(60, 'A look has at most 60 marks.'),
    v.check(
      (marks) => new Set(marks.map((m) => m.pointId)).size === marks.length,
      'A point is marked twice in this look.',
    ),
  ),
});

export const lookInput = v.pipe(
  lookShape,
  v.check((l) => (l.techniqueId === null) !== (l.sequence === null), 'A look is at one technique or one sequence.'),
  v.check((l) => l.partnerId !== l.studentId, 'Nobody is their own partner.'),
);

export type LookInput = v.InferOutput<typeof lookShape>;

export type MarkInput = v.InferInput<typeof markInput>;

/** A look as it is written down on a device. */
export type LookWritten = v.InferInput<typeof lookShape>;
