import * as v from 'valibot';
import { fail, ok } from '../../units/result';
import type { Sequence } from '../move';
import { MOST_MOVES } from '../notation/problem';
import type { OperationKind } from './kind';

/** Counts `from` to `to`, both included, 1-based. */
export const counts = (seq: Sequence, from: number, to: number): Sequence => ({
  ...seq,
  moves: seq.moves.slice(Math.max(0, from - 1), to),
  closing: [],
});

export interface CountsOperation {
  op: 'counts';
  from: number;
  to: number;
}
export const countsKind: OperationKind<CountsOperation> = {
  op: 'counts',
  shape: ({ whole }) =>
    v.object({
      op: v.literal('counts'),
      from: whole(1, MOST_MOVES, 'A count'),
      to: whole(1, MOST_MOVES, 'A count'),
    }),
  apply: (seq, o) => (o.from > seq.moves.length ? fail(`There is no count ${o.from}.`) : ok(counts(seq, o.from, o.to))),
  words: (o) => (o.from === o.to ? `count ${o.from}` : `counts ${o.from} to ${o.to}`),
};
