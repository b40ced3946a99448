import { USUAL_RULE, type GradingRule } from '../grading/rule';
import { conditionOrder, isBeyond, type ConditionOrder, type ConditionStep } from '../units/condition';
import type { Gate } from './gate';
import { itemKey, type Item } from './item';
import type { Requirement, Standard } from './standard';

/** One item's way through the ranks. Where it is tested stands in the requirements. */
export interface Thread {
  id: string;
  item: Item;
  /** The rank in which it is first shown; null: it is only tested. */
  introduced: string | null;
  /** The last rank in which it is kept up; null: to the end. */
  until: string | null;
  /** Passed on by this hall without a test. */
  informal: boolean;
}

/** A requirement as it stands in a syllabus: at a rank, of a thread. */
export type PlacedRequirement = Omit<Requirement, 'item'> & { rankId: string; threadId: string };

/** Whoever works at `of` must have `on` before. Both are items of the syllabus, by their threads. */
export interface Need {
  of: string;
  on: string;
}

export const RISKS = ['soft head touch', 'head impact', 'hard conditioning', 'weapons'] as const;
export type Risk = (typeof RISKS)[number];

/** What the school has set: youngest ages, what it owns, and how long learning takes here. */
export interface Limits {
  /** Youngest age for each; null: no limit of the school's own. */
  ages: Record<Risk, number | null>;
  /** Equipment the hall owns, by name; null: not said, so nothing is checked. */
  owns: readonly string[] | null;
  /** Minutes of class that one new point, and one new count, takes: a rule of thumb of the school's. */
  minutesPerPoint: number;
  minutesPerCount: number;
}

export const PROMOTIONS = ['by date', 'when ready'] as const;
export type Promotion = (typeof PROMOTIONS)[number];

/** A finding that was looked at and left, with its reason. */
export interface Waived {
  key: string;
  reason: string;
  by: string;
  day: string;
}

/** Everything a school asks, rank by rank. Ranks and conditions are named by their ids. */
export interface Syllabus {
  threads: readonly Thread[];
  requirements: readonly PlacedRequirement[];
  gates: readonly (Gate & { rankId: string })[];
  needs: readonly Need[];
  /** The school's order of conditions, by its steps. */
  order: readonly ConditionStep[];
  /** The school's own standards, beside those every school begins with. */
  standards: readonly { name: string; standard: Standard }[];
  /** Ranks that are not given by fixed date. */
  promotions: Readonly<Record<string, Promotion>>;
  limits: Limits;
  /** How gradings decide. */
  grading: GradingRule;
  waivers: readonly Waived[];
}

/** As delivered: ages of `product` policy; how long learning takes is a rule of thumb, from memory, to be set by each school. */
export const FIRST_LIMITS: Limits = {
  ages: { 'soft head touch': 16, 'head impact': 18, 'hard conditioning': 16, weapons: null },
  owns: null,
  minutesPerPoint: 25,
  minutesPerCount: 15,
};

export const NOTHING_ASKED: Syllabus = {
  threads: [],
  requirements: [],
  gates: [],
  needs: [],
  order: [],
  standards: [],
  promotions: {},
  limits: FIRST_LIMITS,
  grading: USUAL_RULE,
  waivers: [],
};

/** The requirements with the item each is about, in the order of the syllabus. */
export function requirementsOf(s: Syllabus): (Requirement & { rankId: string; threadId: string })[] {
  const items = new Map(s.threads.map((t) => [t.id, t.item]));
  return s.requirements.flatMap((r) => {
    const item = items.get(r.threadId);
    return item ? [{ ...r, item }] : [];
  });
}

/** The order of a syllabus's conditions; a circle cannot be stored, so it would be a bug here. */
export function orderOf(s: Syllabus, conditions: readonly string[]): ConditionOrder {
  const made = conditionOrder(conditions, s.order);
  if (!made.ok) throw new Error(`the order of conditions has a circle at ${made.error.circleAt}`);
  return made.value;
}

/** What an item is in one rank: not there, first shown, worked on, asked, or kept up. */
export type Stretch = 'none' | 'introduced' | 'trained' | 'tested' | 'kept';

/** What an item's thread looks like, rank by rank from the lowest. `end` says how it leaves. */
export interface Life {
  threadId: string;
  at: readonly Stretch[];
  /** Whether it is worked on towards that rank, rather than only kept up. */
  worked: readonly boolean[];
  /** Places of the tests, from the lowest. */
  tests: readonly number[];
  introduced: number | null;
  /** Let go before the last rank, never tested, or kept to the end. */
  end: 'kept' | 'let go' | 'never tested';
  /** The last rank in which it occurs; −1: in none. */
  last: number;
}

/**
 * An item's life over the ranks. It is worked on from where it is introduced until it is tested; after a test it is kept
 * up, or worked on again where the next test asks for a harder condition.
 */
export function lifeOf(thread: Thread, s: Syllabus, ranks: readonly string[], order: ConditionOrder): Life {
  const place = new Map(ranks.map((r, i) => [r, i]));
  const asked = s.requirements
    .filter((r) => r.threadId === thread.id && place.has(r.rankId))
    .map((r) => ({ at: place.get(r.rankId)!, conditionId: r.conditionId }))
    .sort((a, b) => a.at - b.at);
  const tests = [...new Set(asked.map((a) => a.at))];
  const introduced = thread.introduced === null ? null : (place.get(thread.introduced) ?? null);
  const letGo = thread.until === null ? ranks.length - 1 : (place.get(thread.until) ?? ranks.length - 1);
  const first = Math.min(introduced ?? Infinity, tests[0] ?? Infinity);
  const last = first === Infinity ? -1 : Math.max(letGo, tests.at(-1) ?? -1, introduced ?? -1);
  const harderAt = (i: number): boolean => {
    const before = asked.filter((a) => a.at < i);
    const nextAt = tests.find((t) => t >= i);
    const next = asked.filter((a) => a.at === nextAt);
    return next.some((n) => before.length > 0 && before.every((b) => isBeyond(order, n.conditionId, b.conditionId)));
  };
  const at = ranks.map((_, i): Stretch => {
    if (i < first || i > last) return 'none';
    if (tests.includes(i)) return 'tested';
    if (i === introduced) return 'introduced';
    if (tests.length === 0 || i < tests[0]!) return 'trained';
    return harderAt(i) ? 'trained' : 'kept';
  });
  const worked = ranks.map((_, i) => i >= first && i <= last && (tests.length === 0 || i <= tests[0]! || harderAt(i)));
  const end = tests.length === 0 ? 'never tested' : last < ranks.length - 1 ? 'let go' : 'kept';
  return { threadId: thread.id, at, worked, tests, introduced, end, last };
}

/** The thread of an item, if the syllabus has it. */
export const threadOf = (s: Syllabus, item: Item): Thread | undefined =>
  s.threads.find((t) => itemKey(t.item) === itemKey(item));
