import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Bundle } from '../../../contracts/stored/bundle';
import { fold, mergeOrder } from '../../../core';
import { rank } from '../../../data/tables';
import { same, type Taking } from '../taking';

export async function takeBelts({ tx, who, keep, lines, once }: Taking, { ranks }: Bundle) {
  const here = await tx.select().from(rank).orderBy(rank.position);
  const byName = new Map(here.map((r) => [fold(r.name), r]));
  const order: string[] = [];
  const nameOf = new Map(here.map((r) => [r.id, r.name]));
  const fresh = new Set<string>();
  const mine: Taking['lines'] = [];
  for (const r of ranks) {
    if (!once('belt', r.name)) continue;
    const known = byName.get(fold(r.name));
    const id = known?.id ?? v7();
    order.push(id);
    nameOf.set(id, r.name);
    if (!known) {
      fresh.add(id);
      await tx.insert(rank).values({ schoolId: who.schoolId, id, position: here.length + order.length, ...r });
      mine.push({ what: 'belt', name: r.name, fate: 'new', why: '' });
    } else if (same(known.cloth, r.cloth)) mine.push({ what: 'belt', name: r.name, fate: 'the same', why: '' });
    else if (keep === 'here') mine.push({ what: 'belt', name: r.name, fate: 'kept as here', why: 'Another cloth.' });
    else {
      await tx.update(rank).set({ cloth: r.cloth }).where(eq(rank.id, id));
      mine.push({ what: 'belt', name: r.name, fate: 'changed', why: 'Another cloth.' });
    }
  }
  // New belts stand among the known ones as in the file; those of the school keep their order.
  const all = mergeOrder(
    here.map((r) => r.id),
    order,
  );
  if (fresh.size > 0)
    for (const [position, id] of all.entries()) await tx.update(rank).set({ position }).where(eq(rank.id, id));
  order.forEach((id, i) => {
    if (!fresh.has(id) || here.length === 0) return lines.push(mine[i]!);
    const at = all.indexOf(id);
    const [below, above] = [all[at - 1], all[at + 1]].map((x) => (x === undefined ? null : (nameOf.get(x) ?? null)));
    const why = below && above ? `Between ${below} and ${above}.` : below ? `Above ${below}.` : `Below ${above ?? ''}.`;
    return lines.push({ ...mine[i]!, why });
  });
}
