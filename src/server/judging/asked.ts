import { adaptationsOn, asksOf, canHurt, itemKey, weakestPoint, type AskedItem, type GradingRule } from '../../core';
import type { PlacedItem, SyllabusRead } from '../../data/queries/syllabus';
import type { Judging } from './judging';

/**
 * What a belt asks of a student, by the version they follow, in the order of the syllabus. Of a midterm: its items alone,
 * each as the highest belt up to theirs asks it, or as the version in force does where theirs does not know it yet.
 */
export function askedOf(
  j: Judging,
  student: { id: string; since: string },
  rankId: string,
  only: readonly string[] | null = null,
): PlacedItem[] {
  const followed = j.syllabusOf(student);
  if (only === null) return followed.requirements.filter((r) => r.rankId === rankId);
  const own = highestOf(followed, rankId, new Set(only));
  const known = new Set(own.map((r) => itemKey(r.item)));
  const inForce = j.versions.read(j.versions.inForce(j.today));
  return [...own, ...highestOf(inForce, rankId, new Set(only.filter((k) => !known.has(k))))];
}

/** Of each of these items the requirement of the highest belt up to one. */
function highestOf({ ranks, requirements }: SyllabusRead, rankId: string, only: ReadonlySet<string>): PlacedItem[] {
  const place = new Map(ranks.map((r, i) => [r.id, i]));
  const top = place.get(rankId) ?? -1;
  const highest = new Map<string, PlacedItem>();
  for (const r of requirements) {
    const [key, at] = [itemKey(r.item), place.get(r.rankId) ?? Infinity];
    const was = highest.get(key);
    if (only.has(key) && at <= top && (!was || at >= place.get(was.rankId)!)) highest.set(key, r);
  }
  const chosen = new Set(highest.values());
  return requirements.filter((r) => chosen.has(r));
}

/** The same as a grading decides by it, each requirement by its id, as the points were adapted for the student by its day. */
export function askedItems(
  j: Judging,
  studentId: string,
  requirements: readonly PlacedItem[],
  rule: GradingRule,
  day: string,
): AskedItem[] {
  const adapted = adaptationsOn(j.adaptations.get(studentId), day);
  return requirements.map((r) => ({
    item: r.id,
    critical: r.critical,
    ...asksOf(rule, j.items.judgedBy(r.item), adapted),
  }));
}

/** The one thing to work on by the sheets of a candidate; counts of a form are worked on as a form, not as a point. */
export function weakestOf(
  j: Judging,
  requirements: readonly PlacedItem[],
  lines: Parameters<typeof weakestPoint>[0],
): ReturnType<typeof weakestPoint> {
  const points = new Map<string, { id: string; hurts: boolean }>();
  for (const p of requirements.flatMap((r) => j.items.judgedBy(r.item)))
    if (j.library.ownerOf.has(p.id)) points.set(p.id, { id: p.id, hurts: canHurt(p) });
  return weakestPoint(lines, [...points.values()]);
}
