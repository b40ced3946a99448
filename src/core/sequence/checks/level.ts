import { countByCount, type Check } from './finding';

/** Rise or fall of the centre that is seen, in statures: common practice, no source. */
const SEEN_FALL = 0.05;

/** Where the head stays level, nothing rises or sinks. */
export const level: Check = (looked) => {
  if (!looked.seq.about.level) return;
  for (const { n, step, before, at } of countByCount(looked)) {
    const fall = at.sink - before.sink;
    if (step.level || (n > 1 && Math.abs(fall) > SEEN_FALL && before.stance !== null))
      looked.found(
        'level',
        false,
        [n],
        `Count ${n} ${(step.level ?? (fall > 0 ? 'sink' : 'rise')) === 'sink' ? 'sinks' : 'rises'} where the head stays level.`,
      );
  }
};
