// What of gradings is shown on a student's own page.
import { and, asc, desc, eq, isNotNull, isNull } from 'drizzle-orm';
import type { RankShown, StudentView } from '../../../contracts/views';
import type { Transaction } from '../../../data/connection';
import { candidate, grading, gradingDecision } from '../../../data/tables';
import type { Judging } from '../../judging/judging';

/** The gradings that are not closed and have this student among their candidates, the next first. */
export async function invitedTo(
  tx: Transaction,
  studentId: string,
  ranks: ReadonlyMap<string, RankShown>,
): Promise<StudentView['invited']> {
  const rows = await tx
    .select({
      gradingId: candidate.gradingId,
      day: grading.day,
      items: grading.items,
      answerBy: grading.answerBy,
      rankId: candidate.rankId,
      yes: candidate.yes,
      out: candidate.out,
    })
    .from(candidate)
    .innerJoin(grading, and(eq(grading.schoolId, candidate.schoolId), eq(grading.id, candidate.gradingId)))
    .where(and(eq(candidate.studentId, studentId), isNull(grading.closedAt)))
    .orderBy(asc(grading.day));
  return rows.flatMap(({ rankId, items, ...c }) => {
    const to = ranks.get(rankId);
    return to ? [{ ...c, midterm: items !== null, to }] : [];
  });
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
      items: grading.items,
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
  const { rankId: _rank, again, items, ...said } = d;
  return { ...said, midterm: items !== null, to, again: again.map(nameOf).filter((n) => n !== '') };
}

/** What a requirement asks, by its id in whatever version; empty: it is gone. */
export function requirementName(j: Judging, requirementId: string): string {
  for (const version of [...j.versions.published].reverse()) {
    const r = j.versions.read(version).requirements.find((x) => x.id === requirementId);
    if (r) return j.items.nameOf(r.item);
  }
  return '';
}
