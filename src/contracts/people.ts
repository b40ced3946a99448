import * as v from 'valibot';
import { RUNGS } from '../core';
import { date, email, id, line, name, password, reason } from './words';

export const ROLES = ['head', 'instructor', 'examiner', 'student'] as const;
export type Role = (typeof ROLES)[number];

export const studentInput = v.object({ id, name, born: v.nullable(date), rankId: id, since: date });
export type StudentInput = v.InferOutput<typeof studentInput>;

export const studentChange = v.object({ id, name, born: v.nullable(date) });

export const promotionInput = v.object({ id, studentId: id, rankId: id, day: date, note: line });

export const adaptationInput = v.pipe(
  v.object({
    id,
    studentId: id,
    pointId: id,
    from: date,
    range: v.nullable(v.object({ lo: v.number(), hi: v.number() })),
    share: v.nullable(v.pipe(v.number(), v.minValue(0), v.maxValue(1))),
    waived: v.boolean(),
    reason,
  }),
  v.check(
    (a) => a.waived || a.share !== null || a.range !== null,
    'Say what is asked instead: a share, a range, or nothing.',
  ),
  v.check((a) => a.range === null || a.range.lo <= a.range.hi, 'The range runs from the smaller number to the larger.'),
);

/** Consent to a rung of contact, or its refusal: null, and no reason is asked. */
export const consentInput = v.object({
  id,
  studentId: id,
  rung: v.nullable(v.picklist(RUNGS)),
  day: date,
  guardian: v.pipe(v.string(), v.trim(), v.maxLength(120, 'A name has at most 120 letters.')),
});
export const injuryInput = v.pipe(
  v.object({ id, studentId: id, what: v.pipe(line, v.nonEmpty('Say which work rests.')), from: date, until: date }),
  v.forward(
    v.check((i) => i.from <= i.until, 'It ends after it begins.'),
    ['until'],
  ),
);

export const teacherInput = v.object({ id, name, role: v.picklist(['head', 'instructor', 'examiner']) });

export const accessInput = v.object({ personId: id, email, password });

/** What the first page of an empty installation asks. */
export const setupInput = v.object({
  school: name,
  timeZone: v.pipe(
    v.string(),
    v.check((zone) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone });
        return zone !== '';
      } catch {
        return false;
      }
    }, 'This time zone is not known.'),
  ),
  head: name,
  email,
  password,
  ranks: v.pipe(
    v.array(
      v.object({
        name: v.pipe(name, v.maxLength(40, 'A belt’s name has at most 40 letters.')),
        colour: v.string(),
        second: v.nullable(v.string()),
        bars: v.number(),
      }),
    ),
    v.minLength(1, 'A school needs at least one belt.'),
    v.maxLength(40, 'A school has at most 40 belts.'),
    v.check((r) => new Set(r.map((x) => x.name.toLowerCase())).size === r.length, 'Two belts have the same name.'),
  ),
});
export type SetupInput = v.InferOutput<typeof setupInput>;
