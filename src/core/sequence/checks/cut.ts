import type { Step } from '../move';
import { laneByLane, type Check } from './finding';

/** Ways in which a foot comes forward or out past the body. */
const WAYS: readonly string[] = ['step', 'slide', 'cross'];

/** What stands in the path of a cut, in words; null where the leg is clear of it (F 26). */
function inThePath({ foot, actions }: Step): string | null {
  const one = actions.find((a) => a.kind === 'weapon cut' && (a.side === 'left' || a.side === 'right'));
  if (!one || !foot || !WAYS.includes(foot.way) || foot.side === one.side || Math.abs(foot.toward) > 90) return null;
  const moves = { step: 'steps', slide: 'slides', cross: 'crosses' }[foot.way as 'step' | 'slide' | 'cross'];
  return `the cut starts on the ${one.side} and the ${foot.side} foot ${moves}: that leg stands in the path`;
}

/** A weapon's cut does not start on a side while the other leg comes into its path, in either lane. */
export const cut: Check = ({ seq, found }) => {
  for (const { n, step, whose } of laneByLane(seq)) {
    const why = inThePath(step);
    if (why) found('cut', false, [n], `Count ${n}: ${whose}${why}.`);
  }
};
