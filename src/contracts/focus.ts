import * as v from 'valibot';
import { SIDES } from '../core';
import { date, id } from './fields';

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
