import { countsSaid, type Check } from './finding';
import { namesIn } from './named';

/** Nothing that the school has retired. */
export const retired: Check = ({ seq, context, found }) => {
  for (const { name, word, counts } of namesIn(seq, context.vocabulary))
    if (word?.retired) found('retired', false, counts, `${countsSaid(counts)}: ${name} is retired.`);
};
