import type { Sequence } from '../move';

/** Degrees between -180 (not included) and 180 that a body is turned by all turns of lane A. */
export const netTurn = (seq: Sequence): number => {
  const sum = seq.moves.reduce((n, m) => n + (m.step.turn?.degrees ?? 0), 0) % 360;
  return sum > 180 ? sum - 360 : sum <= -180 ? sum + 360 : sum;
};
