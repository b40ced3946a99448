import * as v from 'valibot';
import { RUNGS } from '../core';
import { date, id, line, whole } from './fields';

/** Who worked with whom in a round, so that roles and partners are counted; a round that is told again replaces the one before. */
export const pairsInput = v.object({
  /** The class and the block of its plan. */
  classId: id,
  blockId: id,
  day: date,
  round: whole(1, 40, 'The round'),
  /** At the rung to which both said yes tonight; 0 until they have. */
  pairs: v.pipe(
    v.array(
      v.object({
        id,
        a: id,
        b: id,
        c: v.nullable(id),
        rung: whole(0, RUNGS.length, 'The rung of contact'),
        first: id,
      }),
    ),
    v.maxLength(250, 'No hall holds so many pairs.'),
  ),
});

/** What two say of working together. Nobody is asked for a reason; `why` is for whom the head told it. */
export const partnersInput = v.pipe(
  v.object({
    id,
    a: id,
    b: id,
    kind: v.picklist(['apart', 'together'], 'They work together, or never do.'),
    why: v.optional(v.union([v.literal(''), line]), ''),
  }),
  v.forward(
    v.check((p) => p.a !== p.b, 'Nobody is their own partner.'),
    ['b'],
  ),
);
