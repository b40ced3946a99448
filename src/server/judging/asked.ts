import type { AskedItem, Requirement } from '../../core';
import type { PlacedItem } from '../../data/queries/syllabus';
import type { Judging } from './judging';

/** What a belt asks of a student, by the version they follow, in the order of the syllabus. */
export const askedOf = (j: Judging, student: { id: string; since: string }, rankId: string): PlacedItem[] =>
  j.syllabusOf(student).requirements.filter((r) => r.rankId === rankId);

/** The same as a grading decides by it: each requirement by its id. */
export const askedItems = (j: Judging, requirements: readonly (Requirement & { critical: boolean })[]): AskedItem[] =>
  requirements.map((r) => {
    const critical = new Set(j.items.judgedBy(r.item).flatMap((p) => (p.critical ? [p.id] : [])));
    return { item: r.id, critical: r.critical, isCriticalPoint: (pointId) => critical.has(pointId) };
  });
