import { fail, ok, type Result } from './result';

/** One thing hangs on another. */
export interface Edge {
  of: string;
  on: string;
}

/**
 * An order in which everything stands after what it hangs on (Kahn 1962); things of the same depth keep the order given.
 * Refuses a circle, naming those on it in the order in which they hang on each other.
 */
export function graphOrder(ids: readonly string[], edges: readonly Edge[]): Result<string[], { circle: string[] }> {
  const known = new Set(ids);
  const before = new Map(ids.map((id) => [id, 0]));
  const after = new Map<string, string[]>();
  for (const n of edges) {
    if (!known.has(n.of) || !known.has(n.on)) continue;
    before.set(n.of, before.get(n.of)! + 1);
    const list = after.get(n.on);
    if (list) list.push(n.of);
    else after.set(n.on, [n.of]);
  }
  const out: string[] = [];
  let free = ids.filter((id) => before.get(id) === 0);
  while (free.length > 0) {
    const next: string[] = [];
    for (const id of free) {
      out.push(id);
      for (const a of after.get(id) ?? []) {
        before.set(a, before.get(a)! - 1);
        if (before.get(a) === 0) next.push(a);
      }
    }
    free = next;
  }
  if (out.length === ids.length) return ok(out);
  return fail({ circle: circleIn(edges, new Set(ids.filter((id) => before.get(id)! > 0))) });
}

/** One circle among those left: from any of them along what it hangs on, until one comes again. */
function circleIn(edges: readonly Edge[], left: ReadonlySet<string>): string[] {
  const path: string[] = [];
  let at = [...left].find((id) => edges.some((n) => n.of === id && left.has(n.on)))!;
  // Who is left may only hang on the circle without being on it: walking down always ends on it.
  while (!path.includes(at)) {
    path.push(at);
    at = edges.find((n) => n.of === at && left.has(n.on))!.on;
  }
  return path.slice(path.indexOf(at));
}

/** Everything something hangs on, near and far, or everything that hangs on it. */
export function hangsOn(id: string, edges: readonly Edge[], way: 'down' | 'up' = 'down'): Set<string> {
  const found = new Set<string>();
  const walk = (at: string) => {
    for (const n of edges) {
      const [from, to] = way === 'down' ? [n.of, n.on] : [n.on, n.of];
      if (from !== at || found.has(to) || to === id) continue;
      found.add(to);
      walk(to);
    }
  };
  walk(id);
  return found;
}
