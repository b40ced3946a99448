// What the hall owns, and whether there is enough for tonight.
import type { Thing, ThingNeed, ThingUser } from '../../core';
import type { HallShown } from './hall';
import type { RankShown } from './rank';

export type ThingShown = Thing & { id: string; version: number };

export interface StoreView {
  today: string;
  things: ThingShown[];
  ranks: RankShown[];
  halls: Pick<HallShown, 'id' | 'name' | 'width' | 'depth'>[];
  /** The stature of the tallest on the roll, in metres: room is kept for them; null: nobody’s is known. */
  tallest: number | null;
  /** Tonight's class, what it takes, and who is expected or here; null: none is planned. */
  tonight: { needs: ThingNeed[]; people: ThingUser[]; called: boolean } | null;
}
