import * as v from 'valibot';
import { date, id, line } from './fields';

export const injuryInput = v.pipe(
  v.object({ id, studentId: id, what: v.pipe(line, v.nonEmpty('Say which work rests.')), from: date, until: date }),
  v.forward(
    v.check((i) => i.from <= i.until, 'It ends after it begins.'),
    ['until'],
  ),
);
