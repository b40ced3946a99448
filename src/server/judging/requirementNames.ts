// What is said to and about a student beyond verdicts: corrections, chances in words.
import type { Judging } from './judging';

/** Requirements of the next belt by id, for naming them. */
export function requirementNames(
  j: Judging,
  student: { id: string; since: string; rankId: string },
): (id: string) => string {
  const syllabus = j.syllabusOf(student);
  const byId = new Map(syllabus.requirements.map((r) => [r.id, j.items.nameOf(r.item)]));
  return (id) => byId.get(id) ?? '';
}
