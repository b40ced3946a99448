import * as v from 'valibot';
import { BELT_RESULTS, SHEET_WORDS } from '../core';
import { date, id, name, prose, reason, share, version, whole } from './fields';

const onScale = v.pipe(
  v.number('A mark is a number.'),
  v.minValue(0, 'A mark is not negative.'),
  v.maxValue(1000, 'Marks go to a thousand at most.'),
);
/** Marks out of a number, and which of them stand and nearly stand. */
const scaleShape = v.pipe(
  v.object({ outOf: whole(2, 1000, 'The highest mark'), stands: onScale, nearly: onScale }),
  v.forward(
    v.check((s) => s.stands <= s.outOf, 'It stands from a mark that can be given.'),
    ['stands'],
  ),
  v.forward(
    v.check((s) => s.nearly <= s.stands, 'Nearly begins below what stands.'),
    ['nearly'],
  ),
);

/** How a school decides; see the rule of gradings in the core. */
export const ruleShape = v.object({
  repetitions: whole(1, 20, 'The number of repetitions'),
  stands: share,
  criticalStands: share,
  nearly: share,
  mayFallShort: share,
  words: v.picklist(['the middle', 'the lowest']),
  critical: v.picklist(['the middle', 'the lowest']),
  laths: v.pipe(
    v.array(
      v.object({
        outcome: v.picklist(['the belt', 'the belt, with a note', 'part again']),
        short: whole(0, 100, 'How many may fall short'),
        notYet: whole(0, 100, 'How many may be not yet'),
      }),
    ),
    v.maxLength(12, 'A rule has at most twelve laths.'),
  ),
  scale: v.nullable(scaleShape),
});

/** An item by its key: a technique, a sequence, or counts of one. */
const itemByKey = v.pipe(
  v.string(),
  v.regex(/^(t:[0-9a-f-]{36}|s:[0-9a-f-]{36}(:\d{1,4}-\d{1,4})?)$/, 'There is no such item.'),
);

/** A grading: its day, its hall, who sits on the panel, and by which rule it decides. */
export const gradingInput = v.object({
  id,
  title: name,
  day: date,
  hallId: v.nullable(id),
  panel: v.pipe(
    v.array(id),
    v.minLength(1, 'Somebody has to look.'),
    v.maxLength(12, 'A panel has at most twelve people.'),
  ),
  rule: ruleShape,
  /** Only these items, without a belt: a midterm. Null: all that the belt asks. */
  items: v.nullable(
    v.pipe(v.array(itemByKey), v.minLength(1, 'Say what is shown.'), v.maxLength(100, 'At most a hundred.')),
  ),
  /** Until when everybody has said yes or no. */
  answerBy: v.nullable(date),
  version,
});

/** Puts a student forward for a belt; against what is missing only with a reason, by the head. */
export const candidateInput = v.object({ gradingId: id, studentId: id, rankId: id, reason: v.nullable(reason) });
/** What a student, or the guardian, says to it. */
export const candidateSay = v.object({ gradingId: id, studentId: id, yes: v.boolean() });
/** Takes somebody out, with why, or back in: null. */
export const candidateOut = v.object({ gradingId: id, studentId: id, reason: v.nullable(reason) });

/** A point, or a count of a form, as it is named by its sequence and number. */
const markedPoint = v.union([
  id,
  v.pipe(v.string(), v.regex(/^[0-9a-f-]{36}#(\d{1,4}|rhythm|line|shouts)$/, 'There is no such count.')),
]);

export const sheetMark = v.object({
  pointId: markedPoint,
  side: v.picklist(['left', 'right', 'none']),
  reps: v.pipe(v.string(), v.regex(/^[HSU]{1,20}$/, 'One letter a repetition.')),
  values: v.optional(
    v.pipe(v.array(v.nullable(v.pipe(v.number(), v.finite()))), v.maxLength(20, 'One measure a repetition.')),
  ),
});

/** An examiner's line for one item of one candidate: the newest counts. After handing in only with why. */
export const sheetInput = v.object({
  id,
  gradingId: id,
  studentId: id,
  requirementId: id,
  marks: v.pipe(v.array(sheetMark), v.maxLength(1200, 'An item has at most 1,200 marks.')),
  word: v.nullable(v.picklist(SHEET_WORDS)),
  mark: v.optional(v.nullable(onScale), null),
  note: prose,
  reason: v.optional(v.nullable(reason), null),
  /** Whose sheet on paper is typed in; null: one’s own. */
  examinerId: v.optional(v.nullable(id), null),
});

/** Closes one’s own sheet; a head closes that of somebody who cannot, as it is. */
export const sheetHandIn = v.object({ gradingId: id, examinerId: v.optional(v.nullable(id), null) });

/** What the head decides of one candidate; another outcome than the rule’s only with why. */
export const decisionInput = v.object({
  gradingId: id,
  studentId: id,
  result: v.picklist(BELT_RESULTS),
  reason: v.nullable(reason),
  /** Of a part again: which requirements, and by when. */
  again: v.pipe(v.array(id), v.maxLength(100, 'At most a hundred.')),
  againBy: v.nullable(date),
  /** What the student reads. */
  sentence: prose,
});

/** Closes a grading: it is frozen. Its results are let out with it, or later by an act of its own. */
export const gradingClose = v.object({ id, letOut: v.optional(v.boolean(), true) });
export const gradingLetOut = v.object({ id });
/** Takes a certificate back, with why; the belt stays. */
export const certificateBackInput = v.object({ id, reason });
export type RuleInput = v.InferOutput<typeof ruleShape>;
export type SheetMarkInput = v.InferOutput<typeof sheetMark>;
