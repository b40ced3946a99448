import { capital, listInWords } from '../../words/speak';
import { loopReport, type OneSided } from '../operations/loops';
import { kindInWords } from '../tally';
import type { Check } from './finding';

const other = { left: 'right', right: 'left' } as const;

/** What goes round trains both sides of each kind in each lane as it goes on. */
export const loop: Check = ({ seq, found }) => {
  if (!seq.about.loop) return;
  const { untrained, switches, orders } = loopReport(seq);
  if (untrained.length === 0) {
    if (orders.length > 0) found('loop', true, [], 'Both sides are trained as the loop goes on.');
    return;
  }
  for (const { lane } of orders) {
    const mine = untrained.filter((u) => u.lane === lane);
    if (mine.length === 0) continue;
    const only = (u: OneSided) => `${kindInWords(u.kind, 2)} only ${other[u.side]}`;
    const mend = switches
      ? 'its switches cancel each other: an odd number in a round would mend it'
      : 'a count with “switch” would mend it';
    found(
      'loop',
      false,
      [],
      capital(
        `${orders.length > 1 ? `lane ${lane}: ` : ''}${listInWords(mine.map(only))}, however long it goes on; ${mend}.`,
      ),
    );
  }
};
