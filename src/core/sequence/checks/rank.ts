import { fold } from '../../units/fold';
import { countsSaid, type Check } from './finding';
import { namesIn } from './named';

/** The rank is one of the school's, and nothing in the sequence belongs above it. */
export const rank: Check = ({ seq, context, found }) => {
  const { ranks, vocabulary } = context;
  const called = seq.about.rank;
  if (called !== null && ranks.length > 0 && !ranks.some((r) => fold(r) === fold(called)))
    found('rank', false, [], `There is no rank called ${called}.`);
  if (context.rank === null || vocabulary.words.length === 0) return;
  const own = ranks[context.rank] ?? '';
  let above = false;
  for (const { name, word, counts } of namesIn(seq, vocabulary)) {
    if (!word || word.rank === null || word.rank <= context.rank) continue;
    above = true;
    found('rank', false, counts, `${countsSaid(counts)}: ${name} belongs to ${ranks[word.rank] ?? ''}, above ${own}.`);
  }
  if (!above) found('rank', true, [], `No step, stance or technique above ${own || 'its rank'}.`);
};
