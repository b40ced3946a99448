import type { LookKitView } from '../../contracts/views';
import { oddPlace, type OddPlace } from '../../core';
import type { KitStudent } from '../../kit/mat/line';
import { strikesTonight } from './strikesTonight';

/** Where somebody who is one too many in a round works, of what is sound; null: no store is kept. */
export function oddPlaceOf(kit: LookKitView, s: KitStudent | undefined, round: number): OddPlace | null {
  if (!s) return null;
  const place = (id: string) => kit.ranks.findIndex((r) => r.id === id);
  const user = { rank: place(s.rankId), age: s.age, strikes: strikesTonight(s) };
  const sound = kit.store?.filter((t) => (t.sound ?? 1) > 0) ?? null;
  return oddPlace(sound, user, place, (kit.pairing?.odd[s.id] ?? 0) + round - 1);
}
