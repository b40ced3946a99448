import { capital } from '../../words';
import { countsSaid, type Check } from './finding';
import { namesIn } from './named';

/** No technique goes farther than its ceiling: equipment only, or a condition that is not to be passed. */
export const ceiling: Check = ({ seq, context, found }) => {
  const partnered = seq.about.kind === 'partner drill' || seq.moves.some((m) => m.partner !== null);
  const { condition } = seq.about;
  for (const { name, word, counts } of namesIn(seq, context.vocabulary)) {
    const c = word?.ceiling;
    if (!c) continue;
    const said =
      partnered && c.kind === 'equipment only'
        ? 'is for equipment only, never with a partner'
        : c.condition && condition && context.beyond(condition, c.condition)
          ? `goes no farther than ${c.condition}; this is ${condition}`
          : null;
    if (said) found('ceiling', false, counts, `${countsSaid(counts)}: ${capital(name)} ${said}.`);
  }
};
