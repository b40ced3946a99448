import * as v from 'valibot';
import { date, id, line } from './fields';
import { oneItem } from './item';

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
