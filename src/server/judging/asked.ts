import { adaptationsOn, type AskedItem, type GradingRule } from '../../core';
import type { PlacedItem } from '../../data/queries/syllabus';
import type { Judging } from './judging';

/** What a belt asks of a student, by the version they follow, in the order of the syllabus. */
export const askedOf = (j: Judging, student: { id: string; since: string }, rankId: string): PlacedItem[] =>
  j.syllabusOf(student).requirements.filter((r) => r.rankId === rankId);

/** The same as a grading decides by it, each requirement by its id, as the points were adapted for the student by its day. */
export function askedItems(
  j: Judging,
  studentId: string,
  requirements: readonly PlacedItem[],
  rule: GradingRule,
  day: string,
): AskedItem[] {
  const adapted = adaptationsOn(j.adaptations.get(studentId), day);
  return requirements.map((r) => {
    const critical = new Set(j.items.judgedBy(r.item).flatMap((p) => (p.critical ? [p.id] : [])));
    return {
      item: r.id,
      critical: r.critical,
      hangsOn: (pointId) => critical.has(pointId),
      asks: (pointId) => {
        const a = adapted.get(pointId);
        if (a?.waived) return null;
        return a?.share ?? (critical.has(pointId) ? rule.criticalStands : rule.stands);
      },
    };
  });
}
