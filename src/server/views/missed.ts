// What was missed while away, and how it can be made up.
import type { MissedItem, MissedView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readRoll } from '../../data/queries/roll';
import { person } from '../../data/tables';
import { readJudging } from '../judging/judging';
import { readMissed } from '../judging/missed';
import { roomOf } from '../judging/room';
import type { Who } from '../who';

/** So many of each student are shown here, the newest; their own page has the rest. */
const EACH = 4;

/** "Who has something to make up?" */
export async function missedView(tx: Transaction, who: Who): Promise<MissedView> {
  const roll = await readRoll(tx);
  const j = await readJudging(tx, who.today);
  const said = await tx
    .select({ id: person.id, width: person.roomWidth, depth: person.roomDepth, stature: person.stature })
    .from(person);
  const missed = await readMissed(tx, j, roll, new Map(said.map((p) => [p.id, roomOf(p)])));
  const rankOf = new Map(j.versions.ranks.map((r) => [r.id, { id: r.id, name: r.name, cloth: r.cloth }]));
  const place = new Map<MissedItem, number>();
  const placeOf = (item: MissedItem): number => {
    if (!place.has(item)) place.set(item, place.size);
    return place.get(item)!;
  };
  const students = roll.flatMap((s) => {
    const list = missed.get(s.id);
    if (!list) return [];
    const said = list.slice(0, EACH).map((m) => ({ day: m.day, item: placeOf(m.way) }));
    return [{ id: s.id, name: s.name, rank: rankOf.get(s.rankId)!, missed: said, more: list.length - said.length }];
  });
  return { items: [...place.keys()], students };
}
