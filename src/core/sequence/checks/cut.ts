import type { Action, Step } from '../move';
import { laneByLane, type Check } from './finding';

/** Ways in which a foot comes forward or out past the body. */
const WAYS: readonly string[] = ['step', 'slide', 'cross'];

/** A thrust goes straight: nothing of one's own stands in its path, and whoever goes straight at it runs onto it. */
const isThrust = (a: Action): boolean => /\b(thrust|stab|poke|jab)\b/i.test(a.name);

/** What stands in the path of a cut, in words; null where the leg is clear of it (F 26). */
function inThePath({ foot, actions }: Step): string | null {
  const one = actions.find((a) => a.kind === 'weapon cut' && !isThrust(a) && (a.side === 'left' || a.side === 'right'));
  if (!one || !foot || !WAYS.includes(foot.way) || foot.side === one.side || Math.abs(foot.toward) > 90) return null;
  const moves = { step: 'steps', slide: 'slides', cross: 'crosses' }[foot.way as 'step' | 'slide' | 'cross'];
  return `the cut starts on the ${one.side} and the ${foot.side} foot ${moves}: that leg stands in the path`;
}

const across = { left: 'right', right: 'left' } as const;

/** Whether a step goes out onto the side that a cut comes down on: the attacker's right is the defender's left (F 26). */
function intoTheCut(step: Step, other: Step): string | null {
  const one = other.actions.find((a) => a.kind === 'weapon cut' && (a.side === 'left' || a.side === 'right'));
  const { foot } = step;
  if (!one || !foot || foot.way === 'draw') return null;
  const away = Math.abs(foot.toward);
  if (away < 30 || away > 150) return null;
  const goes = foot.toward > 0 ? 'right' : 'left';
  const comes = across[one.side as 'left' | 'right'];
  return goes === comes ? `the cut comes from the ${comes} and the step goes ${goes}, onto it` : null;
}

/** Whether a step goes straight forward or back along the line of a thrust (F 26). */
function ontoTheThrust({ foot, turn }: Step, other: Step): string | null {
  if (!other.actions.some((a) => a.kind === 'weapon cut' && isThrust(a)) || !foot || foot.way === 'draw' || turn)
    return null;
  const away = Math.abs(foot.toward);
  if (away <= STRAIGHT) return 'the step goes straight into the thrust; an angle leaves its line';
  return away >= 180 - STRAIGHT
    ? 'the step goes straight back along the thrust, which follows; an angle leaves its line'
    : null;
}
/** So many degrees off the line are still straight. */
const STRAIGHT = 15;

/** A weapon's cut does not start on a side while the other leg comes into its path, in either lane; nobody steps onto a cut. */
export const cut: Check = ({ seq, found }) => {
  for (const { n, step, whose, other } of laneByLane(seq)) {
    for (const why of [inThePath(step), other && intoTheCut(step, other), other && ontoTheThrust(step, other)])
      if (why) found('cut', false, [n], `Count ${n}: ${whose}${why}.`);
  }
};
