import { NATURAL } from '../../floor/stance';
import { stanceGeometry } from '../../floor/trace';
import { countsSaid, countByCount, type Check } from './finding';

/** A stance with one foot forward that is taken without a step, where neither is forward, says which foot goes. */
export const leadSaid: Check = (looked) => {
  const counts = [...countByCount(looked)].flatMap(({ n, step, at }) =>
    step.stance !== null &&
    !step.foot &&
    at.lead === null &&
    (stanceGeometry(step.stance, looked.context.body) ?? NATURAL).length > 0
      ? [n]
      : [],
  );
  if (counts.length > 0)
    looked.found(
      'lead',
      false,
      counts,
      `${countsSaid(counts)}: nothing says which foot goes forward; write the stance with L or R.`,
    );
};
