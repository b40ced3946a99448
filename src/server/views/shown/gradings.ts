// What of gradings is shown on a student's own page.
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { RankShown, StudentView } from '../../../contracts/views';
import type { Transaction } from '../../../data/connection';
import { candidate, grading, gradingDecision } from '../../../data/tables';
import type { Judging } from '../../judging/judging';

/** The next grading that is not closed and has this student among its candidates. */
export async function invitedTo(
  tx: Transaction,
  studentId: string,
  ranks: ReadonlyMap<string, RankShown>,
): Promise<StudentView['invited']> {
  const [c] = await tx
    .select({
      gradingId: candidate.gradingId,
      day: grading.day,
      rankId: candidate.rankId,
      yes: candidate.yes,
      out: candidate.out,
    })
    .from(candidate)
    .innerJoin(grading, and(eq(grading.schoolId, candidate.schoolId), eq(grading.id, candidate.gradingId)))
    .where(and(eq(candidate.studentId, studentId), isNull(grading.closedAt)))
    .orderBy(asc(grading.day))
    .limit(1);
  const to = c && ranks.get(c.rankId);
  return to ? { gradingId: c.gradingId, day: c.day, to, yes: c.yes, out: c.out } : null;
}

/** What the last grading decided of this student whose results are let out. */
export async function gradedAt(
  tx: Transaction,
  studentId: string,
  ranks: ReadonlyMap<string, RankShown>,
  nameOf: (requirementId: string) => string,
): Promise<StudentView['graded']> {
  const [d] = await tx
    .select({
      day: grading.day,
      rankId: candidate.rankId,
      result: gradingDecision.result,
      sentence: gradingDecision.sentence,
      again: gradingDecision.again,
      againBy: gradingDecision.againBy,
    })
    .from(gradingDecision)
    .innerJoin(grading, and(eq(grading.schoolId, gradingDecision.schoolId), eq(grading.id, gradingDecision.gradingId)))
    .innerJoin(
      candidate,
      and(eq(candidate.gradingId, gradingDecision.gradingId), eq(candidate.studentId, gradingDecision.studentId)),
    )
    .where(and(eq(gradingDecision.studentId, studentId), isNotNull(grading.letOutAt)))
    .orderBy(desc(grading.day))
    .limit(1);
  const to = d && ranks.get(d.rankId);
  if (!to) return null;
  const { rankId: _rank, again, ...said } = d;
  return { ...said, to, again: again.map(nameOf).filter((n) => n !== '') };
}

/** What a requirement asks, by its id in whatever version; empty: it is gone. */
export function requirementName(j: Judging, requirementId: string): string {
  for (const version of [...j.versions.published].reverse()) {
    const r = j.versions.read(version).requirements.find((x) => x.id === requirementId);
    if (r) return j.items.nameOf(r.item);
  }
  return '';
}
