import * as v from 'valibot';
import { share, whole } from './fields';

export const standardInput = v.pipe(
  v.object({
    share,
    criticalShare: share,
    repetitions: whole(1, 200, 'The number of repetitions'),
    days: whole(1, 30, 'The number of days'),
    sides: v.picklist(['both', 'one']),
    freshDays: whole(1, 3650, 'How fresh a look must be, in days,'),
    // Below 1 a share of the points that are not critical; from 1 on so many of them, as older standards say it.
    mayFallShort: v.pipe(
      v.number('How much may fall short is a number.'),
      v.minValue(0, 'How much may fall short is no less than nothing.'),
      v.maxValue(30, 'At most 30 points may fall short.'),
      v.check((n) => n < 1 || Number.isInteger(n), 'So many points are a whole number.'),
    ),
  }),
  v.forward(
    v.check((s) => s.days <= s.repetitions, 'So many days need at least as many repetitions.'),
    ['days'],
  ),
);
