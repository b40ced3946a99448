import * as v from 'valibot';
import { ok } from '../../units/result';
import type { Sequence } from '../move';
import type { OperationKind } from './kind';
import { otherOf } from './named';

/** One after the other, under the first one's heading. Associative; an empty sequence of moves changes nothing. */
export function chain(a: Sequence, b: Sequence): Sequence {
  const [first, ...rest] = b.moves;
  if (!first) return { ...a, closing: [...a.closing, ...b.closing] };
  return {
    about: a.about,
    moves: [...a.moves, { ...first, notes: [...a.closing, ...first.notes] }, ...rest],
    closing: b.closing,
  };
}

export interface ChainOperation {
  op: 'chain';
  /** The sequence that follows. */
  with: string;
}
export const chainKind: OperationKind<ChainOperation> = {
  op: 'chain',
  shape: ({ other }) => v.object({ op: v.literal('chain'), with: other }),
  apply: (seq, o, sources) => {
    const b = otherOf(o.with, sources);
    return b.ok ? ok(chain(seq, b.value)) : b;
  },
  words: (o, nameOf) => `followed by ${nameOf(o.with)}`,
  needs: (o) => [o.with],
};
