import { ZONES, type Zone } from '../units/zone';
import { FAMILIES, type ItemFacts, type WorkFamily } from './facts';
import { itemKey } from './item';
import type { Syllabus } from './syllabus';

/** How many requirements train one cell, in all and by condition. */
export interface CoverageCell {
  family: WorkFamily;
  zone: Zone;
  side: 'left' | 'right';
  requirements: number;
  byCondition: Record<string, number>;
}

/**
 * Zone × side × family × condition: how many requirements train each cell. Every requirement counts once in each cell
 * its item trains, so the cells add up to the cells of the requirements. `rankId`: of one rank only.
 */
export function coverage(
  s: Syllabus,
  factsOf: (key: string) => ItemFacts | undefined,
  rankId: string | null = null,
): CoverageCell[] {
  const cells = new Map<string, CoverageCell>();
  for (const family of FAMILIES)
    for (const zone of ZONES)
      for (const side of ['left', 'right'] as const)
        cells.set(`${family} ${zone} ${side}`, { family, zone, side, requirements: 0, byCondition: {} });
  const items = new Map(s.threads.map((t) => [t.id, t.item]));
  for (const r of s.requirements) {
    if (rankId !== null && r.rankId !== rankId) continue;
    const item = items.get(r.threadId);
    const facts = item && factsOf(itemKey(item));
    for (const c of facts?.cells ?? []) {
      const cell = cells.get(`${c.family} ${c.zone} ${c.side}`)!;
      cell.requirements += 1;
      cell.byCondition[r.conditionId] = (cell.byCondition[r.conditionId] ?? 0) + 1;
    }
  }
  return [...cells.values()];
}
