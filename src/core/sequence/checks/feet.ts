import type { BodySide } from '../move';
import { countByCount, type Check } from './finding';

/** No foot moves while it carries all the weight. */
export const feet: Check = (looked) => {
  const { found } = looked;
  let fine = true;
  for (const { n, step, before, at } of countByCount(looked)) {
    const { foot } = step;
    const support: BodySide | null = before.lifted === 'left' ? 'right' : before.lifted === 'right' ? 'left' : null;
    const mover = foot && foot.way !== 'jump' ? foot.side : null;
    const kicksWithIt = step.actions.some((a) => a.kind === 'kick' && a.side === support);
    if (support && (mover === support || kicksWithIt) && step.weight?.start == null) {
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
