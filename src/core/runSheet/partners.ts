import { matchBest, type Edge } from '../pairing/matching';
import type { DayCandidate, DayGroup, DayPlan, DaySettings } from './model';

/**
 * Two who work together, at the lower of their rungs; `standsIn`: the second is not graded by it; `c`: a third who takes
 * turns with them, where nobody is left for a pair.
 */
export interface Partnered {
  a: string;
  b: string;
  c?: string;
  rung: number;
  standsIn: boolean;
}

/** Why nobody works with somebody. */
export type Alone = 'rests' | 'no consent' | 'nobody is free';

export interface Paired {
  group: string;
  task: number;
  pairs: readonly Partnered[];
  /** Whom nobody can work with now, with why. */
  alone: readonly { id: string; why: Alone }[];
}

const ADULT = 18;
/** How ill two fit: a step of rank, a child with an adult, years and size between them; Infinity: never. */
function fit(a: DayCandidate, b: DayCandidate): number {
  if (!a.rung || !b.rung) return Infinity;
  const years = a.age !== null && b.age !== null ? Math.abs(a.age - b.age) : 5;
  const mixed = a.age !== null && b.age !== null && a.age < ADULT !== b.age < ADULT;
  // Ten centimetres weigh as much as five years.
  const size = a.stature !== null && b.stature !== null ? Math.abs(a.stature - b.stature) / 10 : 0;
  return Math.abs(a.rung - b.rung) * 2 + years / 5 + size + (mixed ? 8 : 0);
}

/** So much more than any fit: somebody alone, then somebody who stands in. */
const ALONE = 10_000;
const STANDS_IN = 100;

/** A fit in whole points, as the matching counts. */
const POINTS = 1000;

/**
 * The cheapest way to pair people, each either with another or with somebody who stands in: a pair saves what the two would
 * cost apart, and the most is saved by the matching.
 */
function pairUp(
  people: readonly DayCandidate[],
  helpers: readonly DayCandidate[],
): { pairs: [number, number][]; helped: number[] } {
  const apart = people.map((p) => Math.min(STANDS_IN + Math.min(...helpers.map((h) => fit(p, h)), Infinity), ALONE));
  const edges: Edge[] = [];
  people.forEach((a, i) =>
    people.slice(i + 1).forEach((b, k) => {
      const j = i + 1 + k;
      const saved = apart[i]! + apart[j]! - fit(a, b);
      if (saved > 0) edges.push([i, j, Math.round(saved * POINTS)]);
    }),
  );
  const mates = matchBest(people.length, edges);
  return {
    pairs: mates.flatMap((j, i): [number, number][] => (j > i ? [[i, j]] : [])),
    helped: mates.flatMap((j, i) => (j < 0 ? [i] : [])),
  };
}

/**
 * Who works with whom in every task with a partner: inside the group where it fits, else somebody of the same or a higher
 * rank, with nothing that rests, who is not graded meanwhile nor within the rest before or after, else as a third with the two who fit best. Who
 * cannot be paired is named, never dropped.
 */
export function partnersOf(
  groups: readonly DayGroup[],
  plan: DayPlan,
  candidates: readonly DayCandidate[],
  s: DaySettings,
): Paired[] {
  const person = new Map(candidates.map((c) => [c.id, c]));
  const at = new Map(plan.groups.map((p) => [p.group, p.at]));
  const groupOf = new Map(groups.flatMap((g) => g.people.map((p) => [p, g])));
  return groups.flatMap((g) => {
    let from = at.get(g.id)!;
    return g.tasks.flatMap((t, task): Paired[] => {
      const [begins, ends] = [from, from + t.minutes];
      from = ends;
      if (!t.pairs) return [];
      const mine = g.people.flatMap((p) => person.get(p) ?? []);
      const resting = mine.filter((p) => t.items.some((i) => p.rests.includes(i)));
      const willing = mine.filter((p) => p.rung && !resting.includes(p));
      const free = candidates.filter((c) => {
        const own = groupOf.get(c.id);
        if (!own || own.id === g.id || !c.rung || c.rests.length > 0 || c.rank < g.rank) return false;
        const b = at.get(own.id)!;
        return b >= ends + s.rest || b + own.minutes + s.rest <= begins;
      });
      const used = new Set<string>();
      const left: DayCandidate[] = [];
      const pairs: Partnered[] = [];
      const alone: Paired['alone'][number][] = mine
        .filter((p) => !willing.includes(p))
        .map((p) => ({ id: p.id, why: resting.includes(p) ? 'rests' : 'no consent' }));
      const found = pairUp(willing, free);
      for (const [i, j] of found.pairs)
        pairs.push({
          a: willing[i]!.id,
          b: willing[j]!.id,
          rung: Math.min(willing[i]!.rung!, willing[j]!.rung!),
          standsIn: false,
        });
      for (const i of found.helped) {
        const one = willing[i]!;
        const helper = free
          .filter((h) => !used.has(h.id) && fit(one, h) < Infinity)
          .sort((x, y) => fit(one, x) - fit(one, y))[0];
        if (!helper) left.push(one);
        else {
          used.add(helper.id);
          pairs.push({ a: one.id, b: helper.id, rung: Math.min(one.rung!, helper.rung!), standsIn: true });
        }
      }
      for (const p of left) {
        const three = pairs
          .filter((x) => x.c === undefined && !x.standsIn)
          .map((x) => ({ x, ill: fit(p, person.get(x.a)!) + fit(p, person.get(x.b)!) }))
          .sort((m, n) => m.ill - n.ill)[0];
        if (!three || three.ill === Infinity) alone.push({ id: p.id, why: 'nobody is free' });
        else {
          three.x.c = p.id;
          three.x.rung = Math.min(three.x.rung, p.rung!);
        }
      }
      return [{ group: g.id, task, pairs, alone }];
    });
  });
}
