import type { GradingRule } from '../grading/rule';
import { conditionOrder, type ConditionStep } from '../units/condition';
import { graphOrder } from '../units/graphOrder';
import { fail, ok, type Result } from '../units/result';
import { standardChanges } from '../words/english/standard';
import type { Gate } from './gate';
import { itemKey, type Item } from './item';
import { type Standard } from './standard';
import {
  threadOf,
  type Limits,
  type Need,
  type PlacedRequirement,
  type Promotion,
  type Syllabus,
  type Thread,
} from './syllabus';

/** One change of a draft. Putting something with an id that is there replaces it. */
export type Edit =
  | { op: 'thread.put'; thread: Thread }
  | { op: 'thread.remove'; id: string }
  | { op: 'thread.place'; id: string; before: string | null }
  | { op: 'requirement.put'; requirement: PlacedRequirement }
  | { op: 'requirement.remove'; id: string }
  | { op: 'gate.put'; gate: Gate & { rankId: string } }
  | { op: 'gate.remove'; id: string }
  | { op: 'need.add'; need: Need }
  | { op: 'need.remove'; need: Need }
  | { op: 'order.set'; order: readonly ConditionStep[] }
  | { op: 'standard.put'; name: string; standard: Standard }
  | { op: 'standard.remove'; name: string }
  | { op: 'promotion.set'; rankId: string; promotion: Promotion }
  | { op: 'limits.set'; limits: Limits }
  | { op: 'grading.set'; grading: GradingRule }
  | { op: 'waive'; key: string; reason: string | null; by: string; day: string };

/** What an edit may name: ranks from the lowest, conditions, and the items' names for what is refused. */
export interface EditContext {
  ranks: readonly { id: string; name: string }[];
  conditions: readonly { id: string; name: string }[];
  nameOf: (threadId: string) => string;
}

const put = <T extends { id: string }>(list: readonly T[], one: T): T[] =>
  list.some((x) => x.id === one.id) ? list.map((x) => (x.id === one.id ? one : x)) : [...list, one];

/** Does one change, or says in the user's words why it cannot be done. The syllabus given stays as it is. */
export function applyEdit(s: Syllabus, e: Edit, c: EditContext): Result<Syllabus> {
  const rankThere = (id: string | null) => id === null || c.ranks.some((r) => r.id === id);
  const GONE = 'This belt is not there any more.';
  switch (e.op) {
    case 'thread.put': {
      const { thread } = e;
      if (!rankThere(thread.introduced) || !rankThere(thread.until)) return fail(GONE);
      const place = (id: string) => c.ranks.findIndex((r) => r.id === id);
      if (thread.introduced !== null && thread.until !== null && place(thread.until) < place(thread.introduced))
        return fail('It cannot be let go before it is introduced.');
      if (s.threads.some((t) => t.id !== thread.id && itemKey(t.item) === itemKey(thread.item)))
        return fail('This item has its thread already.');
      const asked = s.requirements.filter((r) => r.threadId === thread.id);
      const late = thread.until === null ? undefined : asked.find((r) => place(r.rankId) > place(thread.until!));
      if (late)
        return fail(
          `It cannot be let go after ${c.ranks[place(thread.until!)]!.name}: ${c.ranks[place(late.rankId)]!.name} asks for it.`,
        );
      if (thread.informal && asked.length > 0) return fail('What a belt tests is formal. Take its tests away first.');
      return ok({ ...s, threads: put(s.threads, thread) });
    }
    case 'thread.remove':
      return ok({
        ...s,
        threads: s.threads.filter((t) => t.id !== e.id),
        requirements: s.requirements.filter((r) => r.threadId !== e.id),
        needs: s.needs.filter((n) => n.of !== e.id && n.on !== e.id),
      });
    case 'thread.place': {
      const moved = s.threads.find((t) => t.id === e.id);
      if (!moved) return fail('This item is not in the syllabus any more.');
      const rest = s.threads.filter((t) => t.id !== e.id);
      const at = e.before === null ? rest.length : rest.findIndex((t) => t.id === e.before);
      return ok({ ...s, threads: at < 0 ? [...rest, moved] : [...rest.slice(0, at), moved, ...rest.slice(at)] });
    }
    case 'requirement.put': {
      const r = e.requirement;
      if (!rankThere(r.rankId)) return fail(GONE);
      const thread = s.threads.find((t) => t.id === r.threadId);
      if (!thread) return fail('This item is not in the syllabus any more.');
      if (!c.conditions.some((x) => x.id === r.conditionId)) return fail('This condition is not one of the school’s.');
      const twin = s.requirements.some(
        (x) =>
          x.id !== r.id &&
          x.rankId === r.rankId &&
          x.threadId === r.threadId &&
          x.conditionId === r.conditionId &&
          x.purpose === r.purpose,
      );
      if (twin) return fail('This belt already asks for it in this condition.');
      const place = (id: string) => c.ranks.findIndex((x) => x.id === id);
      // A test makes it formal, and keeps it at least until then.
      const until = thread.until !== null && place(thread.until) < place(r.rankId) ? r.rankId : thread.until;
      const threads =
        thread.informal || until !== thread.until ? put(s.threads, { ...thread, informal: false, until }) : s.threads;
      return ok({ ...s, threads, requirements: put(s.requirements, r) });
    }
    case 'requirement.remove':
      return ok({ ...s, requirements: s.requirements.filter((r) => r.id !== e.id) });
    case 'gate.put': {
      if (!rankThere(e.gate.rankId)) return fail(GONE);
      if (s.gates.some((g) => g.id !== e.gate.id && g.rankId === e.gate.rankId && g.kind === e.gate.kind))
        return fail('This belt already has such a gate.');
      return ok({ ...s, gates: put(s.gates, e.gate) });
    }
    case 'gate.remove':
      return ok({ ...s, gates: s.gates.filter((g) => g.id !== e.id) });
    case 'need.add': {
      const { of, on } = e.need;
      if (of === on) return fail('Nothing can hang on itself.');
      if (![of, on].every((id) => s.threads.some((t) => t.id === id)))
        return fail('This item is not in the syllabus any more.');
      if (s.needs.some((n) => n.of === of && n.on === on)) return ok(s);
      const needs = [...s.needs, e.need];
      const made = graphOrder(
        s.threads.map((t) => t.id),
        needs,
      );
      if (!made.ok)
        return fail(
          `That would go round in a circle: ${[...made.error.circle, made.error.circle[0]!].map(c.nameOf).join(' needs ')}.`,
        );
      return ok({ ...s, needs });
    }
    case 'need.remove':
      return ok({ ...s, needs: s.needs.filter((n) => n.of !== e.need.of || n.on !== e.need.on) });
    case 'order.set': {
      const ids = c.conditions.map((x) => x.id);
      if (!e.order.every((o) => ids.includes(o.easier) && ids.includes(o.harder)))
        return fail('This condition is not one of the school’s.');
      const made = conditionOrder(ids, e.order);
      if (!made.ok)
        return fail(
          `${c.conditions.find((x) => x.id === made.error.circleAt)!.name} would come before itself: the order goes round in a circle.`,
        );
      return ok({ ...s, order: e.order });
    }
    case 'standard.put': {
      const name = e.name.trim();
      return ok({
        ...s,
        standards: [...s.standards.filter((x) => x.name !== name), { name, standard: e.standard }].sort((a, b) =>
          a.name.localeCompare(b.name),
        ),
      });
    }
    case 'standard.remove':
      return ok({ ...s, standards: s.standards.filter((x) => x.name !== e.name) });
    case 'promotion.set':
      if (!rankThere(e.rankId)) return fail(GONE);
      return ok({ ...s, promotions: { ...s.promotions, [e.rankId]: e.promotion } });
    case 'grading.set':
      return ok({ ...s, grading: e.grading });
    case 'limits.set':
      return ok({ ...s, limits: e.limits });
    case 'waive': {
      const waivers = s.waivers.filter((w) => w.key !== e.key);
      if (e.reason !== null) waivers.push({ key: e.key, reason: e.reason, by: e.by, day: e.day });
      return ok({ ...s, waivers });
    }
  }
}

/** Does several changes, all or none. */
export function applyEdits(s: Syllabus, edits: readonly Edit[], c: EditContext): Result<Syllabus> {
  let at = s;
  for (const e of edits) {
    const next = applyEdit(at, e, c);
    if (!next.ok) return next;
    at = next.value;
  }
  return ok(at);
}

/** Everything of a rank that is gone is taken out of a draft: what it asked, its gates, and where threads begin or end. */
export function withoutRank(s: Syllabus, rankId: string): Syllabus {
  return {
    ...s,
    requirements: s.requirements.filter((r) => r.rankId !== rankId),
    gates: s.gates.filter((g) => g.rankId !== rankId),
    threads: s.threads.map((t) => ({
      ...t,
      introduced: t.introduced === rankId ? null : t.introduced,
      until: t.until === rankId ? null : t.until,
    })),
  };
}

/** Whether two standards ask the same. */
export const sameStandard = (a: Standard, b: Standard): boolean => standardChanges(a, b).length === 0;

/** Two items turned out to be one: the second's thread, tests and prerequisites go over to the first, twins once. */
export function mergeItems(s: Syllabus, gone: Item, keep: Item): Syllabus {
  const from = threadOf(s, gone);
  if (!from) return s;
  const to = threadOf(s, keep);
  if (!to) return { ...s, threads: s.threads.map((t) => (t.id === from.id ? { ...t, item: keep } : t)) };
  const twin = (r: PlacedRequirement) => `${r.rankId} ${r.conditionId} ${r.purpose ?? ''}`;
  const had = new Set(s.requirements.filter((r) => r.threadId === to.id).map(twin));
  const swap = (id: string) => (id === from.id ? to.id : id);
  const needs = new Map(
    s.needs
      .map((n) => ({ of: swap(n.of), on: swap(n.on) }))
      .filter((n) => n.of !== n.on)
      .map((n) => [`${n.of} ${n.on}`, n]),
  );
  const ordered = graphOrder(
    s.threads.map((t) => t.id),
    [...needs.values()],
  );
  return {
    ...s,
    threads: s.threads.filter((t) => t.id !== from.id),
    requirements: s.requirements.flatMap((r) =>
      r.threadId !== from.id ? [r] : had.has(twin(r)) ? [] : [{ ...r, threadId: to.id }],
    ),
    // What would close a circle now stays with the first as it was.
    needs: ordered.ok ? [...needs.values()] : s.needs.filter((n) => n.of !== from.id && n.on !== from.id),
  };
}
