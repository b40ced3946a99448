import { EMPTY_STEP, isEmptyStep, type Move, type Sequence, type Step } from '../move';

export const LANES = ['A', 'B'] as const;
export type Lane = (typeof LANES)[number];

/** What a lane has of its own: counts without a partner have none of lane B. */
export const stepsOfLane = (moves: readonly Move[], lane: Lane): Step[] =>
  moves.flatMap((m) => (lane === 'A' ? [m.step] : m.partner ? [m.partner] : []));

/** Lane B count by count, standing where it has nothing to do. */
export const partnerSteps = (moves: readonly Move[]): Step[] => moves.map((m) => m.partner ?? EMPTY_STEP);

const turnedRound = (m: Move): Move => ({ ...m, step: m.partner ?? EMPTY_STEP, partner: m.step });

/** Does something to lane B that is written for lane A: the lanes change places for it, and change back. */
export function inLane(seq: Sequence, lane: Lane, work: (seq: Sequence) => Sequence): Sequence {
  if (lane === 'A') return work(seq);
  const alone = !seq.moves.some((m) => m.partner !== null);
  const done = work({ ...seq, moves: seq.moves.map(turnedRound) });
  const moves = done.moves
    .map((m) => ({ ...m, partner: m.partner ?? EMPTY_STEP }))
    .map(turnedRound)
    // Who was alone stays alone where nothing came of it.
    .map((m) => (alone && m.partner && isEmptyStep(m.partner) ? { ...m, partner: null } : m));
  return { ...done, moves };
}

/** One lane of a sequence changed count by count; the other stays. */
export function oneLane(seq: Sequence, lane: Lane, change: (step: Move['step']) => Move['step']): Sequence {
  return {
    ...seq,
    moves: seq.moves.map((m) =>
      lane === 'A' ? { ...m, step: change(m.step) } : { ...m, partner: m.partner && change(m.partner) },
    ),
  };
}
