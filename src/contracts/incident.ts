import * as v from 'valibot';
import { date, id, line, prose } from './fields';
import { oneItem } from './item';

const someone = (missing: string) => v.pipe(v.string(missing), id);

/** Somebody was hurt: all three parties, what they were doing, what happened and what was done. */
export const incidentInput = v.pipe(
  v.object({
    id,
    day: date,
    hurtId: someone('Say who was hurt.'),
    causeId: v.nullable(id),
    chargeId: someone('Say who was in charge.'),
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
