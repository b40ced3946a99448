import * as v from 'valibot';
import { COUNTED_GATES, GATE_KINDS, OPENED_BY, RUNGS, type GateKind } from '../core';
import { id } from './fields';

export const gateAmount = v.pipe(
  v.number('A gate asks for a number.'),
  v.minValue(0, 'A gate asks for more than nothing.'),
  v.maxValue(5000, 'That is more than a life of training.'),
);

/** Why nobody could pass a gate or everybody does; null: it can be asked. */
export function gateIsPossible(g: { kind: GateKind; amount: number }): string | null {
  if (COUNTED_GATES.includes(g.kind) && g.amount < 0.5) return 'A gate asks for more than nothing.';
  if (g.kind === 'consent' && (RUNGS[g.amount - 1] ?? null) === null) return 'This is no rung of contact.';
  if (g.kind === 'age' && g.amount > 99) return 'Nobody is that old.';
  return null;
}

/** What one item waits for. */
export const openingShape = v.pipe(
  v.object({ kind: v.picklist(OPENED_BY), amount: gateAmount }),
  v.forward(
    v.rawCheck(({ dataset, addIssue }) => {
      const wrong = dataset.typed ? gateIsPossible(dataset.value) : null;
      if (wrong !== null) addIssue({ message: wrong });
    }),
    ['amount'],
  ),
);

export const gateShape = v.pipe(
  v.object({ id, rankId: id, kind: v.picklist(GATE_KINDS), amount: gateAmount }),
  v.forward(
    v.rawCheck(({ dataset, addIssue }) => {
      const wrong = dataset.typed ? gateIsPossible(dataset.value) : null;
      if (wrong !== null) addIssue({ message: wrong });
    }),
    ['amount'],
  ),
);
