import * as v from 'valibot';
import { ok } from '../../units/result';
import { listInWords } from '../../words/speak';
import { moveOf, type Move, type Sequence, type Step } from '../move';
import type { OperationKind } from './kind';
import { inLane, LANES, type Lane } from './lane';
import { inLaneSaid, stepWords } from './saidOf';

/** The same with more moves at its end. */
export const extend = (seq: Sequence, moves: readonly Move[]): Sequence => ({
  ...seq,
  moves: [...seq.moves, ...moves],
});

export interface ExtendOperation {
  op: 'extend';
  steps: readonly Step[];
  lane?: Lane | undefined;
}
export const extendKind: OperationKind<ExtendOperation> = {
  op: 'extend',
  shape: ({ step }) =>
    v.object({
      op: v.literal('extend'),
      steps: v.pipe(v.array(step), v.minLength(1), v.maxLength(50)),
      lane: v.optional(v.picklist(LANES)),
    }),
  apply: (seq, o) =>
    ok(
      inLane(seq, o.lane ?? 'A', (s) =>
        extend(
          s,
          o.steps.map((step) => moveOf(step)),
        ),
      ),
    ),
  words: (o) => `with ${listInWords(o.steps.map(stepWords))} at the end${inLaneSaid(o.lane)}`,
};
