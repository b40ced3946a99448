import * as v from 'valibot';
import { date, id, reason } from './fields';

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
