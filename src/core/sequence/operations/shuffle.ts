import * as v from 'valibot';
import { fail, ok, type Result } from '../../units/result';
import type { Move, Sequence } from '../move';
import { actionSaid } from '../spoken';
import type { OperationKind } from './kind';
import { quarterOf, shuffleEvenly } from './quarters';

export const CUES_BY = ['as written', 'quarter', 'name'] as const;
/** What is called: the cue as it stands, the quarter that is touched, or the technique. */
export type CueBy = (typeof CUES_BY)[number];

/** What begins with a cue and goes on to the next; where no cue stands, every count by itself. */
export function combinationsOf(moves: readonly Move[]): Move[][] {
  const marked = moves.some((m) => m.step.cue !== null);
  const out: Move[][] = [];
  for (const m of moves) {
    if (out.length === 0 || !marked || m.step.cue !== null) out.push([m]);
    else out.at(-1)!.push(m);
  }
  // What stands before the first cue belongs to none of them.
  return marked ? out.filter((c) => c[0]!.step.cue !== null) : out.filter((c) => c[0]!.step.actions.length > 0);
}

/** The first count of a combination with what is called for it. */
function called(m: Move, by: CueBy): Result<Move> {
  const [first] = m.step.actions;
  const cue = by === 'as written' ? m.step.cue : by === 'quarter' ? quarterOf(m) : first ? actionSaid(first) : null;
  if (by === 'quarter' && cue === null) return fail('A count goes to no quarter: write it as “at upper left”.');
  return ok({ ...m, begins: [], step: { ...m.step, cue } });
}

/** Combinations at random, each as often as the others: `rounds` times all of them. */
export function shuffle(seq: Sequence, seed: number, rounds: number, by: CueBy): Result<Sequence> {
  const all = combinationsOf(seq.moves);
  if (all.length < 2)
    return fail('There is nothing to choose from: two counts at least, or two that begin with a cue.');
  const ready: Move[][] = [];
  for (const [first, ...rest] of all) {
    const head = called(first!, by);
    if (!head.ok) return head;
    ready.push([head.value, ...rest.map((m) => ({ ...m, begins: [] }))]);
  }
  return ok({ ...seq, moves: shuffleEvenly(seed, rounds * all.length, all.length).flatMap((i) => ready[i]!) });
}

export interface ShuffleOperation {
  op: 'shuffle';
  seed: number;
  rounds: number;
  by: CueBy;
}
export const shuffleKind: OperationKind<ShuffleOperation> = {
  op: 'shuffle',
  shape: ({ whole }) =>
    v.object({
      op: v.literal('shuffle'),
      seed: whole(0, 2 ** 31 - 1, 'A seed'),
      rounds: whole(1, 100, 'Rounds'),
      by: v.picklist(CUES_BY),
    }),
  apply: (seq, o) => shuffle(seq, o.seed, o.rounds, o.by),
  words: (o) => `called at random${o.by === 'as written' ? '' : ` by ${o.by}`}, each ${o.rounds} times`,
};
