import * as v from 'valibot';
import { fail, ok } from '../../units/result';
import type { Sequence } from '../move';
import type { OperationKind } from './kind';

/** The partners change roles: lane A becomes lane B. Done twice it gives the start. A sequence of one performer stays. */
export const swapRoles = (seq: Sequence): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => (m.partner === null ? m : { ...m, step: m.partner, partner: m.step })),
});

export interface SwapRolesOperation {
  op: 'swap roles';
}
export const swapRolesKind: OperationKind<SwapRolesOperation> = {
  op: 'swap roles',
  shape: () => v.object({ op: v.literal('swap roles') }),
  apply: (seq) =>
    seq.moves.some((m) => m.partner)
      ? ok(swapRoles(seq))
      : fail('Roles swap between two partners; there is only one here.'),
  words: () => 'roles swapped',
};
