import * as v from 'valibot';
import { HANDS, JOINTS, RUNGS, SIDES } from '../core';
import { date, email, id, line, name, password, prose, reason, version, whole } from './words';

export const ROLES = ['head', 'instructor', 'examiner', 'student', 'guardian'] as const;
export type Role = (typeof ROLES)[number];

export const studentInput = v.object({ id, name, born: v.nullable(date), rankId: id, since: date });
export type StudentInput = v.InferOutput<typeof studentInput>;

export const studentChange = v.object({ id, name, born: v.nullable(date), version });

export const promotionInput = v.object({ id, studentId: id, rankId: id, day: date, note: line });

const measure = v.pipe(
  v.number('A range has two numbers.'),
  v.finite(),
  v.minValue(-1e6, 'This number cannot be right.'),
  v.maxValue(1e6, 'This number cannot be right.'),
);
export const adaptationInput = v.pipe(
  v.object({
    id,
    studentId: id,
    pointId: id,
    from: date,
    range: v.nullable(v.object({ lo: measure, hi: measure })),
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

/** The one correction given to a student; `chosen` where a teacher takes another than the rule names. */
export const focusInput = v.pipe(
  v.object({
    id,
    studentId: id,
    pointId: id,
    side: v.picklist(SIDES),
    day: date,
    chosen: v.boolean(),
    reason: v.pipe(v.string(), v.trim(), v.maxLength(1000, 'A reason has at most 1,000 letters.')),
  }),
  v.forward(
    v.check((f) => !f.chosen || f.reason.length >= 3, 'A reason is needed: it is kept with the choice.'),
    ['reason'],
  ),
);

/** A student's own entry of what was done at home. */
export const practiceInput = v.object({
  id,
  studentId: id,
  day: date,
  minutes: whole(1, 600, 'The time in minutes'),
  repetitions: whole(0, 20_000, 'The number of repetitions'),
  strikes: whole(0, 5_000, 'The number of strikes'),
  hands: v.picklist(HANDS),
  joints: v.picklist(JOINTS),
  what: line,
});

const oneItem = { techniqueId: v.nullable(id), sequenceId: v.nullable(id) };
export const pauseInput = v.pipe(
  v.object({
    id,
    studentId: id,
    ...oneItem,
    habit: v.pipe(line, v.minLength(3, 'Say which habit has to go.')),
    from: date,
  }),
  v.forward(
    v.check((p) => (p.techniqueId === null) !== (p.sequenceId === null), 'Say which work rests.'),
    ['techniqueId'],
  ),
);

/** Somebody was hurt: all three parties, what they were doing, what happened and what was done. */
export const incidentInput = v.pipe(
  v.object({
    id,
    day: date,
    hurtId: id,
    causeId: v.nullable(id),
    chargeId: id,
    ...oneItem,
    doing: line,
    what: v.pipe(prose, v.minLength(3, 'Say what happened.')),
    done: prose,
    head: v.boolean(),
  }),
  v.forward(
    v.check(
      (i) => i.hurtId !== i.causeId,
      'The one who is hurt and the one who hurt are two people; leave it open otherwise.',
    ),
    ['causeId'],
  ),
  v.forward(
    v.check((i) => i.techniqueId !== null || i.sequenceId !== null || i.doing !== '', 'Say what they were doing.'),
    ['doing'],
  ),
);

/** The floor at home in metres, and the height in centimetres. */
export const roomInput = v.object({
  id,
  roomWidth: v.nullable(v.pipe(v.number(), v.minValue(0.5, 'A room is at least half a metre wide.'), v.maxValue(30))),
  roomDepth: v.nullable(v.pipe(v.number(), v.minValue(0.5, 'A room is at least half a metre deep.'), v.maxValue(30))),
  stature: v.nullable(whole(60, 230, 'The height in centimetres')),
  version,
});

export const outcomeInput = v.object({ id, studentId: id, rankId: id, day: date, passed: v.boolean(), note: line });
export const guardianInput = v.object({
  id,
  name,
  studentIds: v.pipe(v.array(id), v.minLength(1, 'Say for whom.'), v.maxLength(60, 'Nobody answers for more than 60.')),
  version,
});

export const teacherInput = v.object({ id, name, role: v.picklist(['head', 'instructor', 'examiner']), version });

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
