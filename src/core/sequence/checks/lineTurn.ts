import { isAdvancing } from '../move';
import { countByCount, type Check } from './finding';

/** Line work of punches turns into a block, not into a strike. */
export const lineTurn: Check = (looked) => {
  const { seq, found } = looked;
  if (!seq.about.lineWork) return;
  for (const { n, step } of countByCount(looked)) {
    if (!step.turn || Math.abs(step.turn.degrees) < 90) continue;
    const strikes = step.actions.some((a) => a.kind === 'strike' || a.kind === 'kick');
    const guards = step.actions.some((a) => a.kind === 'block');
    const wasPunching = seq.moves
      .slice(0, n - 1)
      .some((m) => m.step.actions.some((a) => a.kind === 'strike') && isAdvancing(m.step));
    if (wasPunching && strikes && !guards)
      found('line turn', false, [n], `Count ${n} turns into a strike; line work of punches turns into a low block.`);
  }
};
