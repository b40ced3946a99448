import { judge, type Evidence, type Point, type Verdict, type VerdictWord } from '../../core';
import { type PlacedItem, type SyllabusRead } from '../../data/queries/syllabus';
import { NOTHING, type Judging, type OverrideRow } from './judging';

export interface Judged {
  requirement: PlacedItem;
  verdict: Verdict;
  /** The word that counts: the head's where there is one. */
  word: VerdictWord;
  override: OverrideRow | null;
  points: readonly Point[];
}

/** Judges one student against the requirements of one rank, by the version they follow. */
export function judgeStudent(j: Judging, student: { id: string; since: string }, rankId: string): readonly Judged[] {
  const syllabus = j.syllabusOf(student);
  return j.once(student.id, `judged ${rankId}`, syllabus.versionId ?? '', () => {
    const evidence = j.evidence.get(student.id) ?? NOTHING;
    return syllabus.requirements
      .filter((r) => r.rankId === rankId)
      .map((requirement) => judgeOne(j, syllabus, evidence, student.id, requirement));
  });
}

export function judgeOne(
  j: Judging,
  syllabus: SyllabusRead,
  evidence: Evidence,
  studentId: string,
  requirement: PlacedItem,
): Judged {
  const points = j.items.judgedBy(requirement.item);
  const verdict = judge(requirement, evidence, {
    points,
    isOwn: (pointId) => j.items.isOwn(requirement.item, pointId),
    sided: j.items.isSided(requirement.item),
    order: syllabus.order,
    today: j.today,
    adaptations: j.adaptations.get(studentId),
  });
  const said = j.overrides.get(`${studentId} ${requirement.id}`);
  const lifted = said?.word ?? null;
  return { requirement, verdict, word: lifted ?? verdict.word, override: lifted ? said! : null, points };
}
