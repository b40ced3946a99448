import { countByCount, metres, type Check } from './finding';

/** Longest distance between the feet, and longest way of a foot in one step, in statures: common practice, no source. */
const LONGEST_STANCE = 0.85;
const LONGEST_STRIDE = 1.35;

/** No stance and no step is longer than a body can go. */
export const stride: Check = (looked) => {
  const { found } = looked;
  const { stature } = looked.context.body;
  for (const { n, step, before, at } of countByCount(looked)) {
    const gap = Math.hypot(at.left.x - at.right.x, at.left.y - at.right.y);
    if (gap > LONGEST_STANCE * stature)
      found(
        'stride',
        false,
        [n],
        `Count ${n} sets the feet ${metres(gap)} m apart; a body of ${metres(stature)} m cannot.`,
      );
    if (!step.foot || step.foot.way === 'jump') continue;
    const { side } = step.foot;
    const went = Math.hypot(at[side].x - before[side].x, at[side].y - before[side].y);
    if (went > LONGEST_STRIDE * stature)
      found('stride', false, [n], `Count ${n} carries the ${side} foot over ${metres(went)} m in one step.`);
  }
};
