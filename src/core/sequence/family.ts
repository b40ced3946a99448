import { fail, ok, type Result } from '../units/result';
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
 * circle, naming one sequence on it. (Kahn 1962.)
 */
export function derivationOrder(all: readonly Origin[]): Result<string[], { circle: string[] }> {
  const known = new Map(all.map((o) => [o.id, o]));
  const waits = new Map(all.map((o) => [o.id, sourcesOf(o).filter((s) => known.has(s)).length]));
  const children = new Map<string, string[]>();
  for (const o of all) for (const s of sourcesOf(o)) children.set(s, [...(children.get(s) ?? []), o.id]);
  const ready = all.filter((o) => waits.get(o.id) === 0).map((o) => o.id);
  const order: string[] = [];
  for (let id = ready.shift(); id !== undefined; id = ready.shift()) {
    order.push(id);
    for (const c of children.get(id) ?? []) {
      const n = waits.get(c)! - 1;
      waits.set(c, n);
      if (n === 0) ready.push(c);
    }
  }
  if (order.length === all.length) return ok(order);
  const placed = new Set(order);
  const start = all.find((o) => !placed.has(o.id))!;
  // Whatever waits for ever waits for a circle: going up from it leads there.
  const walk: string[] = [];
  let id = start.id;
  while (!walk.includes(id)) {
    walk.push(id);
    id = sourcesOf(known.get(id)!).find((s) => known.has(s) && !placed.has(s))!;
  }
  return fail({ circle: walk.slice(walk.indexOf(id)) });
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
