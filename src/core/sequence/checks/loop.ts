import { loopReport } from '../operations/loops';
import type { Check } from './finding';

/** What goes round trains both sides as it goes on. */
export const loop: Check = ({ seq, found }) => {
  if (!seq.about.loop) return;
  const { untrained } = loopReport(seq);
  for (const u of untrained)
    found(
      'loop',
      false,
      [],
      `Locked to one side: lane ${u.lane} never works with the ${u.side}. Add a count with “switch”.`,
    );
  if (untrained.length === 0) found('loop', true, [], 'Both sides are trained as the loop goes on.');
};
