import { graphOrder } from '../units/graphOrder';
import type { ItemFacts } from './facts';
import { isWhole, itemKey, wholeOf } from './item';
import type { Need, Syllabus } from './syllabus';

/** A prerequisite that the library itself speaks for. */
export interface SuggestedNeed extends Need {
  why: string;
}

/**
 * Prerequisites read from what items are made of: a form needs its techniques and the sequence it is derived from, a
 * technique its stance, the whole its parts. Those that stand already, or would close a circle, are left out.
 */
export function suggestNeeds(s: Syllabus, factsOf: (key: string) => ItemFacts | undefined): SuggestedNeed[] {
  const byKey = new Map(s.threads.map((t) => [itemKey(t.item), t]));
  const out: SuggestedNeed[] = [];
  const has = (of: string, on: string) => [...s.needs, ...out].some((n) => n.of === of && n.on === on);
  const ids = s.threads.map((t) => t.id);
  const offer = (of: string, on: string, why: string) => {
    if (of === on || has(of, on)) return;
    if (graphOrder(ids, [...s.needs, ...out, { of, on }]).ok) out.push({ of, on, why });
  };
  for (const t of s.threads) {
    const f = factsOf(itemKey(t.item));
    for (const key of f?.contents ?? []) {
      const on = byKey.get(key);
      if (on) offer(t.id, on.id, key.startsWith('s:') ? 'it is derived from it' : 'it is made of it');
    }
    if (!isWhole(t.item)) {
      const whole = byKey.get(itemKey(wholeOf(t.item)));
      if (whole) offer(whole.id, t.id, 'it is a part of it');
    }
  }
  return out;
}
