import type { Bundle, ItemByName } from '../../../contracts/stored/bundle';
import type { Gate, Item, PlacedRequirement, Syllabus } from '../../../core';

/** What the ids of a syllabus are called; null where what they name does not travel. */
export interface Names {
  item: (item: Item) => ItemByName | null;
  rank: (id: string) => string | null;
  condition: (id: string) => string | null;
}

/** A syllabus as it travels: by names, without decisions about its checks. */
export function syllabusOut(
  body: Syllabus,
  requirements: readonly Omit<PlacedRequirement, 'id'>[],
  gates: readonly (Gate & { rankId: string })[],
  names: Names,
): NonNullable<Bundle['syllabus']> {
  const itemOf = new Map(
    body.threads.flatMap((t) => {
      const item = names.item(t.item);
      return item ? [[t.id, item] as const] : [];
    }),
  );
  const rank = (id: string | null) => (id === null ? null : names.rank(id));
  const condition = (id: string) => names.condition(id) ?? '';
  return {
    items: body.threads.flatMap((t) => {
      const item = itemOf.get(t.id);
      if (!item) return [];
      const needs = body.needs.filter((n) => n.of === t.id).flatMap((n) => itemOf.get(n.on) ?? []);
      return [{ item, introduced: rank(t.introduced), until: rank(t.until), informal: t.informal, needs }];
    }),
    requirements: requirements.flatMap((r) => {
      const item = itemOf.get(r.threadId);
      if (!item) return [];
      const { purpose, stage, rung, critical, opens, standard } = r;
      return [
        {
          item,
          rank: rank(r.rankId)!,
          condition: condition(r.conditionId),
          purpose,
          stage,
          rung,
          critical,
          opens,
          standard,
        },
      ];
    }),
    gates: gates.map((g) => ({ rank: rank(g.rankId)!, kind: g.kind, amount: g.amount })),
    order: body.order.map((o) => ({ easier: condition(o.easier), harder: condition(o.harder) })),
    standards: [...body.standards],
    promotions: Object.fromEntries(
      Object.entries(body.promotions).flatMap(([id, p]) => {
        const name = names.rank(id);
        return name === null ? [] : [[name, p]];
      }),
    ),
    limits: { ...body.limits, owns: body.limits.owns && [...body.limits.owns] },
    grading: { ...body.grading, laths: [...body.grading.laths] },
  };
}
