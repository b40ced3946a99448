import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Bundle } from '../../../contracts/stored/bundle';
import { fold } from '../../../core';
import { rank } from '../../../data/tables';
import { same, type Taking } from '../taking';

export async function takeBelts({ tx, who, keep, lines, once }: Taking, { ranks }: Bundle) {
  const here = await tx.select().from(rank).orderBy(rank.position);
  const byName = new Map(here.map((r) => [fold(r.name), r]));
  const order: string[] = [];
  for (const r of ranks) {
    if (!once('belt', r.name)) continue;
    const known = byName.get(fold(r.name));
    const id = known?.id ?? v7();
    order.push(id);
    if (!known) {
      await tx.insert(rank).values({ schoolId: who.schoolId, id, position: here.length + order.length, ...r });
      lines.push({ what: 'belt', name: r.name, fate: 'new', why: '' });
    } else if (same(known.cloth, r.cloth)) lines.push({ what: 'belt', name: r.name, fate: 'the same', why: '' });
    else if (keep === 'here') lines.push({ what: 'belt', name: r.name, fate: 'kept as here', why: 'Another cloth.' });
    else {
      await tx.update(rank).set({ cloth: r.cloth }).where(eq(rank.id, id));
      lines.push({ what: 'belt', name: r.name, fate: 'changed', why: 'Another cloth.' });
    }
  }
  // New belts stand among the known ones as in the file; belts only this school has keep their place above.
  if (order.some((id) => !here.some((r) => r.id === id))) {
    const all = [...order, ...here.map((r) => r.id).filter((id) => !order.includes(id))];
    for (const [position, id] of all.entries()) await tx.update(rank).set({ position }).where(eq(rank.id, id));
  }
}
