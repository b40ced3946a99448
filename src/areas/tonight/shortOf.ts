import type { LookKitView } from '../../contracts/views';
import {
  blockTimes,
  enoughFor,
  itemKey,
  RUNG_GEAR,
  RUNGS,
  shortBy,
  takenOut,
  type BlockItem,
  type ClassPlan,
  type NeedAt,
} from '../../core';
import type { KitStudent } from '../../kit/mat/line';
import { strikesTonight } from './strikesTonight';

/** What of the store is short for a plan, by block: reckoned on the device, from what it took along. */
export function shortInPlan(
  kit: LookKitView,
  plan: ClassPlan,
  people: readonly KitStudent[],
): Map<string, { name: string; short: number; wanted: number }[]> {
  const things = (kit.store ?? []).flatMap((t) =>
    t.id === undefined || t.sound === undefined
      ? []
      : [{ ...t, id: t.id, sound: t.sound, all: t.all ?? t.sound, people: t.people ?? 1 }],
  );
  const out = new Map<string, { name: string; short: number; wanted: number }[]>();
  if (things.length === 0) return out;
  const place = new Map(kit.ranks.map((r, i) => [r.id, i]));
  const from = new Map<string, number>();
  for (const a of kit.asked)
    from.set(a.itemKey, Math.min(from.get(a.itemKey) ?? Infinity, Math.max(0, (place.get(a.rankId) ?? 0) - 1)));
  const takes = ({ item, conditionId }: BlockItem) => {
    const key = itemKey(item);
    const gear = kit.conditions.find((c) => c.id === conditionId)?.gear ?? null;
    return [...(gear ? [gear] : []), ...(kit.takes?.[key] ?? [])].map((serves) => ({
      serves,
      fromRank: from.get(key) ?? 0,
    }));
  };
  const times = new Map(blockTimes(plan).map((b) => [b.id, b.from]));
  const needs = takenOut(
    plan.blocks.map((b) => ({ ...b, at: times.get(b.id)! })),
    takes,
    RUNGS.findIndex((r) => RUNG_GEAR[r] !== 'none') + 1,
  );
  const users = people.map((s) => ({
    rank: place.get(s.rankId) ?? 0,
    age: s.age,
    strikes: strikesTonight(s),
  }));
  const name = (n: NeedAt) => things.find((t) => t.id === n.thingId)?.name ?? '';
  for (const n of enoughFor(things, needs, users, (id) => place.get(id) ?? 0))
    if (shortBy(n) > 0)
      out.set(n.need.blockId, [
        ...(out.get(n.need.blockId) ?? []),
        { name: name(n), short: shortBy(n), wanted: n.wanted },
      ]);
  return out;
}
