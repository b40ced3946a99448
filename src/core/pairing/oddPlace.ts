import { mayUse, type ThingUser } from '../equipment/need';
import type { Thing } from '../equipment/thing';

/** Where the odd one of a round works. */
export const ODD_PLACES = ['at the pads', 'at the post', 'with a teacher'] as const;
export type OddPlace = (typeof ODD_PLACES)[number];

/**
 * Where somebody who is one too many works, in turn: at what is sound and theirs to use by age and belt, or with a teacher.
 * `times` is how often they were the odd one lately; null: nobody keeps a store, and it is not known what there is.
 */
export function oddPlace(
  store: readonly Pick<Thing, 'serves' | 'fromAge' | 'fromRankId'>[] | null,
  u: ThingUser,
  rankOf: (id: string) => number,
  times: number,
): OddPlace | null {
  if (store === null || store.length === 0) return null;
  const serves = (...of: string[]) => store.some((t) => of.includes(t.serves ?? '') && mayUse(t, u, rankOf));
  const places = ODD_PLACES.filter(
    (p) => p === 'with a teacher' || (p === 'at the pads' ? serves('pads', 'target') : serves('striking post')),
  );
  return places[times % places.length]!;
}
