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
    mayFallShort: whole(0, 30, 'How many points may fall short'),
  }),
  v.forward(
    v.check((s) => s.days <= s.repetitions, 'So many days need at least as many repetitions.'),
    ['days'],
  ),
);
