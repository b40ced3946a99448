import type { BodySide } from '../move';
import { countByCount, type Check } from './finding';

/** No foot moves while it carries all the weight. */
export const feet: Check = (looked) => {
  const { found } = looked;
  let fine = true;
  for (const { n, step, before, at } of countByCount(looked)) {
    const { foot } = step;
    const support: BodySide | null = before.lifted === 'left' ? 'right' : before.lifted === 'right' ? 'left' : null;
    const leaps = foot?.way === 'jump' || foot?.way === 'hop';
    const mover = foot && !leaps ? foot.side : null;
    const kicksWithIt = step.actions.some((a) => a.kind === 'kick' && a.side === support);
    const hopsOff = foot?.way === 'hop' && support !== null && foot.side !== support;
    const kicksAndLands = foot?.way === 'hop' && step.actions.some((a) => a.kind === 'kick' && a.side === foot.side);
    if (kicksAndLands) {
      fine = false;
      found('feet', false, [n], `Count ${n} lands on the ${foot.side} foot and kicks with it.`);
    } else if (support && kicksWithIt && !leaps && step.weight?.start == null) {
      fine = false;
      found(
        'feet',
        false,
        [n],
        `Count ${n} lifts the ${support} foot, which has carried all the weight since count ${n - 1}: set the other down first, or say “hop ${support === 'left' ? 'R' : 'L'}” where one springs from foot to foot.`,
      );
    } else if (support && !hopsOff && mover === support && step.weight?.start == null) {
      fine = false;
      found(
        'feet',
        false,
        [n],
        `Count ${n} moves the ${support} foot, which carries all the weight since count ${n - 1}: set the other down first.`,
      );
    } else if (
      mover &&
      foot!.way !== 'slide' &&
      ((mover === 'left' && at.weightStart === 100) || (mover === 'right' && at.weightStart === 0))
    ) {
      fine = false;
      found('feet', false, [n], `Count ${n} moves the ${mover} foot, which carries all the weight.`);
    }
  }
  if (fine) found('feet', true, [], 'Every foot that moves is free to move.');
};
