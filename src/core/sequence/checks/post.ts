import { postContacts } from '../post';
import type { Check } from './finding';

/**
 * At a post each arm meets the arm that it faces; one that crosses is a recovery position, from which one comes back: two
 * crossed ones in a row are told (F 49; common practice, no source).
 */
export const post: Check = ({ seq, found }) => {
  const contacts = postContacts(seq);
  const counts = [...new Set(contacts.map((c) => c.count))];
  for (const [i, n] of counts.entries()) {
    const crossed = contacts.filter((c) => c.count === n && c.crossed);
    if (crossed.length === 0) continue;
    const before = counts[i - 1];
    const twice = before !== undefined && contacts.some((c) => c.count === before && c.crossed);
    const said = crossed.map((c) => `the ${c.limb} arm crosses to the post’s ${c.part}`).join(', ');
    if (twice)
      found(
        'post',
        false,
        [before, n],
        `Counts ${before} and ${n} are both crossed: after a recovery position each arm meets the arm it faces.`,
      );
    else found('post', true, [n], `Count ${n}: ${said}: a recovery position.`);
  }
};
