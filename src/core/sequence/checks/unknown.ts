import { stanceGeometry } from '../../floor/trace';
import { countsSaid, type Check } from './finding';
import { namesIn } from './named';

/** Every technique and stance is in the library; the common stances are known without it. */
export const unknown: Check = ({ seq, context, found }) => {
  const { vocabulary, body } = context;
  if (vocabulary.words.length === 0) return;
  const none = namesIn(seq, vocabulary).filter((n) => !n.word && !(n.isStance && stanceGeometry(n.name, body)));
  for (const u of none) {
    const near = vocabulary.near(u.name, (w) => (w.kind === 'stance') === u.isStance);
    found(
      'unknown',
      false,
      u.counts,
      `${countsSaid(u.counts)}: “${u.name}” is not in the library${near.length > 0 ? `; near it: ${near.join(', ')}` : ''}.`,
    );
  }
  if (none.length === 0) found('unknown', true, [], 'Every technique is in the library.');
};
