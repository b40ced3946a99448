import { asc, inArray } from 'drizzle-orm';
import {
  adaptationsOn,
  dayNumber,
  judge,
  judgeGate,
  rangesFor,
  type Adaptation,
  type Evidence,
  type Gate,
  type GateVerdict,
  type Point,
  type Range,
  type Requirement,
  type Verdict,
  type VerdictWord,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence, type EvidenceByStudent } from '../../data/queries/evidence';
import { readLibrary, readSyllabus, type Library, type SyllabusRows } from '../../data/queries/library';
import type { RollRow } from '../../data/queries/roll';
import { adaptation, override } from '../../data/tables';

type AdaptationRow = typeof adaptation.$inferSelect;
type OverrideRow = typeof override.$inferSelect;

/** Everything that judging students needs, read once for all of them. */
export interface Judging {
  library: Library;
  syllabus: SyllabusRows;
  evidence: EvidenceByStudent;
  adaptations: ReadonlyMap<string, (Adaptation & AdaptationRow)[]>;
  overrides: ReadonlyMap<string, OverrideRow>;
  attendance: Awaited<ReturnType<typeof readAttendance>>;
  today: string;
}

const NOTHING: Evidence = new Map();

/** Reads what judging needs in a fixed number of queries, whatever the number of students. */
export async function readJudging(tx: Transaction, today: string, studentIds?: readonly string[]): Promise<Judging> {
  const library = await readLibrary(tx);
  const syllabus = await readSyllabus(tx);
  const some = studentIds ? [...studentIds] : null;
  const written = await tx
    .select()
    .from(adaptation)
    .where(some ? inArray(adaptation.studentId, some) : undefined)
    .orderBy(asc(adaptation.at));
  const adaptations = new Map<string, (Adaptation & AdaptationRow)[]>();
  for (const a of written) {
    const range = a.rangeLo === null || a.rangeHi === null ? null : { lo: a.rangeLo, hi: a.rangeHi };
    adaptations.set(a.studentId, [...(adaptations.get(a.studentId) ?? []), { ...a, range }]);
  }
  const usual = new Map<string, Range>();
  for (const t of library.techniques.values()) for (const [id, r] of rangesFor(t.points, new Map())) usual.set(id, r);
  const own = new Map<string, ReadonlyMap<string, Adaptation>>();
  for (const [student, list] of adaptations) own.set(student, adaptationsOn(list, today));
  const evidence = await readEvidence(
    tx,
    (student, point) => own.get(student)?.get(point)?.range ?? usual.get(point),
    studentIds,
  );
  const said = await tx
    .select()
    .from(override)
    .where(some ? inArray(override.studentId, some) : undefined)
    .orderBy(asc(override.at));
  const overrides = new Map(said.map((o) => [`${o.studentId} ${o.requirementId}`, o]));
  const attendance = await readAttendance(tx);
  return { library, syllabus, evidence, adaptations, overrides, attendance, today };
}

export interface Judged {
  requirement: Requirement & { rankId: string };
  verdict: Verdict;
  /** The word that counts: the head's where there is one. */
  word: VerdictWord;
  override: OverrideRow | null;
  points: readonly Point[];
}

/** Judges one student against the requirements of one rank. */
export function judgeStudent(j: Judging, studentId: string, rankId: string): Judged[] {
  const evidence = j.evidence.get(studentId) ?? NOTHING;
  return j.syllabus.requirements
    .filter((r) => r.rankId === rankId)
    .map((requirement) => judgeOne(j, evidence, studentId, requirement));
}

export function judgeOne(
  j: Judging,
  evidence: Evidence,
  studentId: string,
  requirement: Requirement & { rankId: string },
): Judged {
  const points = j.library.pointsOf(requirement.techniqueId);
  const verdict = judge(requirement, evidence, {
    points,
    sided: j.library.techniques.get(requirement.techniqueId)?.sided ?? false,
    order: j.syllabus.order,
    today: j.today,
    adaptations: j.adaptations.get(studentId),
  });
  const said = j.overrides.get(`${studentId} ${requirement.id}`);
  const lifted = said?.word ?? null;
  return { requirement, verdict, word: lifted ?? verdict.word, override: lifted ? said! : null, points };
}

/** The gates of a rank for one student: classes and hours count from the day the present belt was given. */
export function judgeGates(j: Judging, student: Pick<RollRow, 'id' | 'born' | 'since'>, rankId: string): GateVerdict[] {
  const since = dayNumber(student.since);
  const classes = (j.attendance.get(student.id) ?? []).filter((c) => c.day >= since);
  const facts = {
    born: student.born,
    rankSince: student.since,
    classes: classes.length,
    hours: classes.reduce((sum, c) => sum + c.minutes, 0) / 60,
  };
  return j.syllabus.gates.filter((g) => g.rankId === rankId).map((g) => judgeGate(g as Gate, facts, j.today));
}

/** The rank above one, or null at the top. */
export function rankAbove(syllabus: SyllabusRows, rankId: string) {
  const at = syllabus.ranks.findIndex((r) => r.id === rankId);
  return at < 0 ? null : (syllabus.ranks[at + 1] ?? null);
}
