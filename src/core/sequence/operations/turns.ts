import * as v from 'valibot';
import { ok } from '../../units/result';
import type { Sequence, Turn } from '../move';
import type { OperationKind } from './kind';

/** All turns in one way: by swing, or across. In place stays in place. */
export const turnsBy = (seq: Sequence, by: Exclude<Turn['by'], 'pivot'>): Sequence => ({
  ...seq,
  moves: seq.moves.map((m) => ({
    ...m,
    step: m.step.turn && m.step.turn.by !== 'pivot' ? { ...m.step, turn: { ...m.step.turn, by } } : m.step,
  })),
});

export interface TurnsOperation {
  op: 'turns';
  by: 'swing' | 'cross';
}
export const turnsKind: OperationKind<TurnsOperation> = {
  op: 'turns',
  shape: () => v.object({ op: v.literal('turns'), by: v.picklist(['swing', 'cross']) }),
  apply: (seq, o) => ok(turnsBy(seq, o.by)),
  words: (o) => (o.by === 'cross' ? 'all turns across' : 'all turns by swing'),
};
