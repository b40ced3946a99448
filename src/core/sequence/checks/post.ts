import { postContacts } from '../post';
import type { Check } from './finding';

/** At a post, an arm that crosses to its other side is told: a recovery position. */
export const post: Check = ({ seq, found }) => {
  for (const c of postContacts(seq).filter((x) => x.crossed))
    found(
      'post',
      true,
      [c.count],
      `Count ${c.count}: the ${c.limb} arm crosses to the post’s ${c.part}: a recovery position.`,
    );
};
