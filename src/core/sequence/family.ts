import { graphOrder } from '../units/graphOrder';
import type { Result } from '../units/result';
import { needsOf, type Recipe } from './operations/recipe';

/** Where a sequence comes from: its parent and the recipe; null: written by hand. */
export interface Origin {
  id: string;
  parentId: string | null;
  recipe: Recipe;
}

/** Ids that a sequence is made from directly. */
export const sourcesOf = (o: Origin): string[] =>
  o.parentId === null ? [] : [...new Set([o.parentId, ...needsOf(o.recipe)])];

/**
 * The order in which derived sequences are computed: whatever a sequence is made from comes before it. Refuses a
 * circle, naming those on it.
 */
export function derivationOrder(all: readonly Origin[]): Result<string[], { circle: string[] }> {
  return graphOrder(
    all.map((o) => o.id),
    all.flatMap((o) => sourcesOf(o).map((on) => ({ of: o.id, on }))),
  );
}

/** All that is made from a sequence, directly or over others. */
export function descendantsOf(id: string, all: readonly Origin[]): string[] {
  const met = new Set<string>();
  const open = [id];
  for (let next = open.pop(); next !== undefined; next = open.pop())
    for (const o of all)
      if (sourcesOf(o).includes(next) && !met.has(o.id)) {
        met.add(o.id);
        open.push(o.id);
      }
  met.delete(id);
  return [...met];
}

/** From the sequence up to those written by hand, the nearest first. */
export function ancestorsOf(id: string, all: readonly Origin[]): string[] {
  const known = new Map(all.map((o) => [o.id, o]));
  const met: string[] = [];
  const open = sourcesOf(known.get(id) ?? { id, parentId: null, recipe: [] });
  for (let next = open.shift(); next !== undefined; next = open.shift()) {
    if (met.includes(next) || next === id) continue;
    met.push(next);
    const o = known.get(next);
    if (o) open.push(...sourcesOf(o));
  }
  return met;
}
