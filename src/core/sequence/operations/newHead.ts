import * as v from 'valibot';
import { fail, ok, type Result } from '../../units/result';
import type { Sequence } from '../move';
import { MOST_MOVES } from '../notation/problem';
import { chain } from './chain';
import type { OperationKind } from './kind';
import { otherOf } from './named';

/** Another beginning on the same tail: the head, then the sequence from the given count on (1-based). */
export function newHead(seq: Sequence, head: Sequence, fromCount: number): Result<Sequence> {
  if (fromCount < 1 || fromCount > seq.moves.length)
    return fail(`There is no count ${fromCount}: the sequence has ${seq.moves.length}.`);
  const tail: Sequence = { ...seq, moves: seq.moves.slice(fromCount - 1) };
  return ok({ ...chain({ ...head, about: seq.about }, tail), about: seq.about });
}

export interface NewHeadOperation {
  op: 'new head';
  /** The sequence whose beginning is taken. */
  head: string;
  /** The count from which the tail is kept, 1-based. */
  from: number;
}
export const newHeadKind: OperationKind<NewHeadOperation> = {
  op: 'new head',
  shape: ({ other, whole }) =>
    v.object({ op: v.literal('new head'), head: other, from: whole(1, MOST_MOVES, 'A count') }),
  apply: (seq, o, sources) => {
    const head = otherOf(o.head, sources);
    return head.ok ? newHead(seq, head.value, o.from) : head;
  },
  words: (o, nameOf) => `from count ${o.from} on, with the head of ${nameOf(o.head)}`,
  needs: (o) => [o.head],
};
