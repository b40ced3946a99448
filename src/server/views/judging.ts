import { asc, gte, inArray } from 'drizzle-orm';
import {
  adaptationsOn,
  consentOf,
  dayNumber,
  itemKey,
  judge,
  judgeGate,
  rangesFor,
  type Adaptation,
  type Evidence,
  type GateVerdict,
  type Point,
  type Range,
  type Verdict,
  type VerdictWord,
} from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence, type EvidenceByStudent } from '../../data/queries/evidence';
import { readItems, type Items } from '../../data/queries/items';
import { readLibrary, type Library } from '../../data/queries/library';
import type { RollRow } from '../../data/queries/roll';
import {
  readFollowed,
  readVersions,
  versionFor,
  type PlacedItem,
  type RankRow,
  type SyllabusRead,
  type Versions,
} from '../../data/queries/syllabus';
import { adaptation, consent, injury, override } from '../../data/tables';

type AdaptationRow = typeof adaptation.$inferSelect;
type OverrideRow = typeof override.$inferSelect;
type ConsentRow = typeof consent.$inferSelect;

/** Everything that judging students needs, read once for all of them. */
export interface Judging {
  library: Library;
  items: Items;
  versions: Versions;
  /** The version each student is judged by. */
  syllabusOf: (student: { id: string; since: string }) => SyllabusRead;
  evidence: EvidenceByStudent;
  adaptations: ReadonlyMap<string, (Adaptation & AdaptationRow)[]>;
  overrides: ReadonlyMap<string, OverrideRow>;
  attendance: Awaited<ReturnType<typeof readAttendance>>;
  /** The newest consent of each student, and the last day of the longest open injury. */
  consents: ReadonlyMap<string, ConsentRow>;
  injured: ReadonlyMap<string, string>;
  today: string;
}

const NOTHING: Evidence = new Map();

/** Reads what judging needs in a fixed number of queries, whatever the number of students. */
export async function readJudging(tx: Transaction, today: string, studentIds?: readonly string[]): Promise<Judging> {
  const library = await readLibrary(tx);
  const versions = await readVersions(tx);
  const items = await readItems(tx, library, versions.conditions);
  const followed = await readFollowed(tx);
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
  const attendance = await readAttendance(tx, studentIds);
  const agreed = await tx
    .select()
    .from(consent)
    .where(some ? inArray(consent.studentId, some) : undefined)
    .orderBy(asc(consent.at));
  const consents = new Map(agreed.map((c) => [c.studentId, c]));
  const open = await tx.select().from(injury).where(gte(injury.until, today)).orderBy(asc(injury.until));
  const injured = new Map(open.map((i) => [i.studentId, i.until]));
  return {
    library,
    items,
    versions,
    syllabusOf: (student) => versions.read(versionFor(versions, student, followed)),
    evidence,
    adaptations,
    overrides,
    attendance,
    consents,
    injured,
    today,
  };
}

export interface Judged {
  requirement: PlacedItem;
  verdict: Verdict;
  /** The word that counts: the head's where there is one. */
  word: VerdictWord;
  override: OverrideRow | null;
  points: readonly Point[];
}

/** Judges one student against the requirements of one rank, by the version they follow. */
export function judgeStudent(j: Judging, student: { id: string; since: string }, rankId: string): Judged[] {
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  const syllabus = j.syllabusOf(student);
  return syllabus.requirements
    .filter((r) => r.rankId === rankId)
    .map((requirement) => judgeOne(j, syllabus, evidence, student.id, requirement));
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
    sided: j.items.isSided(requirement.item),
    order: syllabus.order,
    today: j.today,
    adaptations: j.adaptations.get(studentId),
  });
  const said = j.overrides.get(`${studentId} ${requirement.id}`);
  const lifted = said?.word ?? null;
  return { requirement, verdict, word: lifted ?? verdict.word, override: lifted ? said! : null, points };
}

type Judgeable = Pick<RollRow, 'id' | 'born' | 'since' | 'rankId'>;

/** The gates of a rank for one student: classes and hours count from the day the present belt was given. */
export function judgeGates(j: Judging, student: Judgeable, rankId: string): GateVerdict[] {
  const syllabus = j.syllabusOf(student);
  const mine = syllabus.gates.filter((g) => g.rankId === rankId);
  if (mine.length === 0) return [];
  const since = dayNumber(student.since);
  const classes = (j.attendance.get(student.id) ?? []).filter((c) => c.day >= since);
  const facts = {
    born: student.born,
    rankSince: student.since,
    classes: classes.length,
    hours: classes.reduce((sum, c) => sum + c.minutes, 0) / 60,
    consent: consentOf(j.consents.get(student.id), student.born, j.today),
    injuredUntil: j.injured.get(student.id) ?? null,
    stale: mine.some((g) => g.kind === 'earlier ranks fresh')
      ? staleEarlier(j, student).map((x) => j.items.nameOf(x.requirement.item))
      : [],
  };
  return mine.map((g) => judgeGate(g, facts, j.today));
}

/** What earlier belts asked that was once met and has gone stale, the newest belt first; an item stands there once. */
export function staleEarlier(j: Judging, student: Pick<RollRow, 'id' | 'since' | 'rankId'>): Judged[] {
  const syllabus = j.syllabusOf(student);
  const worn = syllabus.ranks.findIndex((r) => r.id === student.rankId);
  const place = new Map(syllabus.ranks.slice(0, worn + 1).map((r, i) => [r.id, i]));
  const evidence = j.evidence.get(student.id) ?? NOTHING;
  const stale = syllabus.requirements
    .filter((r) => place.has(r.rankId))
    .map((r) => judgeOne(j, syllabus, evidence, student.id, r))
    .filter((x) => x.word === 'stale')
    .sort((a, b) => place.get(b.requirement.rankId)! - place.get(a.requirement.rankId)!);
  const items = stale.map((x) => itemKey(x.requirement.item));
  return stale.filter((_, i) => items.indexOf(items[i]!) === i);
}

/** The rank above one, or null at the top. */
export function rankAbove(ranks: readonly RankRow[], rankId: string): RankRow | null {
  const at = ranks.findIndex((r) => r.id === rankId);
  return at < 0 ? null : (ranks[at + 1] ?? null);
}
