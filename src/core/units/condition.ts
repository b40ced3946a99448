import { fail, ok, type Result } from './result';

/** A school's own way of saying how a thing is done: lying, in air, on a still target, with both free… */
export type ConditionId = string;

/** One step of the school's partial order: whoever can do it `harder` is not asked for `easier` any more. */
export interface ConditionStep {
  easier: ConditionId;
  harder: ConditionId;
}

/** For each condition, itself and all that is above it in the school's order. */
export type ConditionOrder = ReadonlyMap<ConditionId, ReadonlySet<ConditionId>>;

/**
 * Builds the order from its steps. Refuses a circle, since then everything in it would be harder than itself.
 * The error names one condition on the circle.
 */
export function conditionOrder(
  conditions: readonly ConditionId[],
  steps: readonly ConditionStep[],
): Result<ConditionOrder, { circleAt: ConditionId }> {
  const up = new Map<ConditionId, ConditionId[]>(conditions.map((c) => [c, []]));
  for (const s of steps) up.get(s.easier)?.push(s.harder);
  const order = new Map<ConditionId, Set<ConditionId>>();
  const open = new Set<ConditionId>();
  let circle: ConditionId | null = null;
  const climb = (c: ConditionId): Set<ConditionId> => {
    const known = order.get(c);
    if (known) return known;
    if (open.has(c)) {
      circle = c;
      return new Set();
    }
    open.add(c);
    const above = new Set([c]);
    for (const h of up.get(c) ?? []) for (const x of climb(h)) above.add(x);
    open.delete(c);
    order.set(c, above);
    return above;
  };
  for (const c of conditions) climb(c);
  return circle === null ? ok(order) : fail({ circleAt: circle });
}

/** Whether work done at `done` counts where `asked` is asked: the same condition or one above it. */
export const countsFor = (order: ConditionOrder, done: ConditionId, asked: ConditionId): boolean =>
  done === asked || (order.get(asked)?.has(done) ?? false);

/** Whether `done` goes farther than `limit`: it stands above it in the school's order. */
export const isBeyond = (order: ConditionOrder, done: ConditionId, limit: ConditionId): boolean =>
  done !== limit && (order.get(limit)?.has(done) ?? false);
