import { graphOrder } from './graphOrder';
import { fail, ok, type Result } from './result';

/** A school's own way of saying how a thing is done: lying, in air, on a still target, with both free… */
export type ConditionId = string;

/** What is struck, held or stood at, where a condition takes something. */
export const CONDITION_GEAR = ['pads', 'target', 'striking post'] as const;
export type ConditionGear = (typeof CONDITION_GEAR)[number];
/** What a partner does: what was agreed, or what they like. */
export const FREEDOMS = ['set', 'free'] as const;
export type Freedom = (typeof FREEDOMS)[number];

/** What a condition takes; its name is the school's own, and nothing hangs on it. */
export interface ConditionFacts {
  /** Somebody receives the work or attacks; who holds a pad or a shield is part of the gear. */
  partner: boolean;
  gear: ConditionGear | null;
  /** It can be done alone at home as it is. */
  home: boolean;
  /** What either side does; null where there is no partner. */
  attacker: Freedom | null;
  defender: Freedom | null;
}
export const ALONE: ConditionFacts = { partner: false, gear: null, home: true, attacker: null, defender: null };

/**
 * What the name of a condition was once read as: for schools and files from before conditions said it themselves. Common
 * practice, no source.
 */
export function factsOfOldName(name: string): ConditionFacts {
  const partner = /\b(partner|attacker|free|receiver)\b/i.test(name);
  const gear = /\b(holder|pads?|shield)\b/i.test(name)
    ? 'pads'
    : /\b(target|bag)\b/i.test(name)
      ? 'target'
      : /\bpost\b/i.test(name)
        ? 'striking post'
        : null;
  const does = (side: string): Freedom | null =>
    !partner ? null : new RegExp(`\\b(both|${side})\\b[^,;]*\\bfree\\b`, 'i').test(name) ? 'free' : 'set';
  return {
    partner,
    gear,
    home: !partner && gear === null,
    attacker: does('attacker'),
    defender: does('defender'),
  };
}

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
  const made = graphOrder(
    conditions,
    steps.map((s) => ({ of: s.harder, on: s.easier })),
  );
  if (!made.ok) return fail({ circleAt: made.error.circle[0]! });
  const order = new Map<ConditionId, Set<ConditionId>>();
  // From the hardest down: what stands above a step stands above what it is a step from.
  for (const c of [...made.value].reverse()) {
    const above = new Set([c]);
    for (const s of steps) if (s.easier === c) for (const x of order.get(s.harder) ?? []) above.add(x);
    order.set(c, above);
  }
  return ok(order);
}

/** Whether work done at `done` counts where `asked` is asked: the same condition or one above it. */
export const countsFor = (order: ConditionOrder, done: ConditionId, asked: ConditionId): boolean =>
  done === asked || (order.get(asked)?.has(done) ?? false);

/** Whether `done` goes farther than `limit`: it stands above it in the school's order. */
export const isBeyond = (order: ConditionOrder, done: ConditionId, limit: ConditionId): boolean =>
  done !== limit && (order.get(limit)?.has(done) ?? false);

/**
 * The conditions most often asked for, the most frequent first, in the school's order where they are asked as often; what
 * nobody asks for comes last.
 */
export function byAsking<C extends { id: ConditionId }>(conditions: readonly C[], asked: readonly ConditionId[]): C[] {
  const times = new Map<ConditionId, number>();
  for (const a of asked) times.set(a, (times.get(a) ?? 0) + 1);
  return [...conditions].sort((a, b) => (times.get(b.id) ?? 0) - (times.get(a.id) ?? 0));
}

/**
 * The condition to begin from where none is named: the one most often asked for; where nothing is asked yet, of those done
 * alone the one with most beneath it. Empty where there is none at all.
 */
export function usualCondition(
  conditions: readonly ({ id: ConditionId } & ConditionFacts)[],
  asked: readonly ConditionId[],
  steps: readonly ConditionStep[] = [],
): ConditionId {
  const most = byAsking(conditions, asked)[0];
  if (most === undefined || asked.includes(most.id)) return most?.id ?? '';
  const beneath = steps.map((s) => s.harder);
  const alone = conditions.filter((c) => !c.partner && c.gear === null);
  return byAsking(alone.length > 0 ? alone : conditions, beneath)[0]!.id;
}
