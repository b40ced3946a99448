import type { Random } from '../units/random';
import { costOf, type Job, type Jobs, type Starts } from './jobs';

/** Each job in its turn, as early as what is left allows; null: one does not fit before the horizon. */
export function inOrder(all: Jobs, order: readonly Job[]): Starts | null {
  const width = all.horizon - all.begins + 1;
  const left = new Map(
    all.resources.map((r) => [r, Float64Array.from({ length: width + 1 }, (_, i) => all.has(r, all.begins + i))]),
  );
  const free = (j: Job, at: number) => {
    for (const [r, takes] of Object.entries(j.takes)) {
      const has = left.get(r)!;
      for (const [a, b, n] of takes)
        for (let t = b - 1; t >= a; t -= 1) {
          const i = at + t - all.begins;
          if (i >= 0 && has[i]! < n) return at + t - a + 1;
        }
    }
    return null;
  };
  const starts: Record<string, number> = {};
  for (const j of order) {
    let at = j.from;
    for (let next = free(j, at); next !== null && at <= j.to && j.from < j.to; next = free(j, at))
      at = Math.max(at + 1, next);
    if (at > j.to || at + j.length > all.horizon) return null;
    starts[j.id] = at;
    for (const [r, takes] of Object.entries(j.takes)) {
      const has = left.get(r)!;
      for (const [a, b, n] of takes)
        for (let t = a; t < b; t += 1) {
          const i = at + t - all.begins;
          if (i >= 0 && i <= width) has[i]! -= n;
        }
    }
  }
  return starts;
}

/** Pinned ones first, since nothing moves them; then the break, then groups in the order of their belts. */
const naturally = (jobs: readonly Job[]): Job[] => [
  ...jobs.filter((j) => j.from === j.to),
  ...jobs.filter((j) => j.from < j.to && j.weight === 0),
  ...jobs.filter((j) => j.from < j.to && j.weight > 0),
];

/** A first whole day: the best of a few plain orders. Where nothing fits it runs on until everything does. */
export function firstDay(all: Jobs): Starts | null {
  const natural = naturally(all.jobs);
  const fixed = natural.filter((j) => j.from === j.to || j.weight === 0);
  const moving = natural.filter((j) => !fixed.includes(j));
  const orders = [
    natural,
    [...fixed, ...[...moving].sort((a, b) => a.length / a.weight - b.length / b.weight)],
    [...fixed, ...[...moving].sort((a, b) => b.length - a.length)],
  ];
  let best: Starts | null = null;
  for (const order of orders) {
    const found = inOrder(all, order);
    if (found && (!best || costOf(all, found) < costOf(all, best))) best = found;
  }
  return best;
}

/**
 * Betters a day by moving one group in the order and laying all out again, keeping what is no worse. Gives the best after
 * every hundred tries, so that it can be shown and stopped.
 */
export function* bettered(all: Jobs, first: Starts, random: Random, tries = 3000): Generator<Starts, Starts> {
  let now = [...all.jobs].sort((a, b) => first[a.id]! - first[b.id]!);
  const fixed = (j: Job) => j.from === j.to;
  now = [...now.filter(fixed), ...now.filter((j) => !fixed(j))];
  let [best, bestCost] = [first, costOf(all, first)];
  let cost = bestCost;
  const firstMoving = now.findIndex((j) => !fixed(j));
  const moving = firstMoving < 0 ? 0 : now.length - firstMoving;
  if (moving < 2) return best;
  for (let i = 0; i < tries; i += 1) {
    const order = [...now];
    const pick = () => firstMoving + Math.floor(random() * moving);
    const [taken] = order.splice(pick(), 1);
    order.splice(pick(), 0, taken!);
    const found = inOrder(all, order);
    if (found) {
      const c = costOf(all, found);
      // Now and then a step back, less and less, so that it does not stay in the first hollow.
      if (c <= cost || random() < 0.02 * (1 - i / tries)) [now, cost] = [order, c];
      if (c < bestCost) [best, bestCost] = [found, c];
    }
    if (i % 100 === 99) yield best;
  }
  return best;
}
