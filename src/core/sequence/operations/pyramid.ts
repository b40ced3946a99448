import * as v from 'valibot';
import { ok } from '../../units/result';
import type { Sequence } from '../move';
import type { OperationKind } from './kind';
import { withSection } from './withSection';

/** 1; 1-2; 1-2-3; … and back down to 1: n moves give n² counts, a section a step of the pyramid. */
export function pyramid(seq: Sequence): Sequence {
  const n = seq.moves.length;
  const heights = [
    ...Array.from({ length: n }, (_, i) => i + 1),
    ...Array.from({ length: n - 1 }, (_, i) => n - 1 - i),
  ];
  return {
    ...seq,
    moves: n === 0 ? [] : heights.flatMap((h) => withSection(seq.moves.slice(0, h), h === 1 ? '1' : `1 to ${h}`)),
  };
}

export interface PyramidOperation {
  op: 'pyramid';
}
export const pyramidKind: OperationKind<PyramidOperation> = {
  op: 'pyramid',
  shape: () => v.object({ op: v.literal('pyramid') }),
  apply: (seq) => ok(pyramid(seq)),
  words: () => 'as a pyramid',
  grows: (n) => n ** 2,
};
