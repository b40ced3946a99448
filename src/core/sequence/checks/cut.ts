import { countByCount, type Check } from './finding';

/** A weapon's cut does not start on a side while the other leg steps into its path. */
export const cut: Check = (looked) => {
  for (const { n, step } of countByCount(looked)) {
    const { foot } = step;
    const one = step.actions.find((a) => a.kind === 'weapon cut' && (a.side === 'left' || a.side === 'right'));
    if (one && foot?.way === 'step' && foot.side !== one.side && Math.abs(foot.toward) < 90)
      looked.found(
        'cut',
        false,
        [n],
        `Count ${n}: the cut starts on the ${one.side} and the ${foot.side} foot steps: that leg stands in the path.`,
      );
  }
};
