import * as v from 'valibot';
import { ok } from '../../units/result';
import type { Sequence } from '../move';
import { chain } from './chain';
import type { OperationKind } from './kind';

/** n times over, n from 1. */
export function repeat(seq: Sequence, times: number): Sequence {
  let out = seq;
  for (let i = 1; i < times; i++) out = chain(out, seq);
  return out;
}

export interface RepeatOperation {
  op: 'repeat';
  times: number;
}
export const repeatKind: OperationKind<RepeatOperation> = {
  op: 'repeat',
  shape: ({ whole }) => v.object({ op: v.literal('repeat'), times: whole(2, 50, 'Times') }),
  apply: (seq, o) => ok(repeat(seq, o.times)),
  words: (o) => `${o.times} times`,
  grows: (n, o) => n * o.times,
};
