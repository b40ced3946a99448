import { asc, gte, inArray } from 'drizzle-orm';
import { adaptationsOn, rangesFor, type Adaptation, type Evidence, type Range } from '../../core';
import type { Transaction } from '../../data/connection';
import { readAttendance, readEvidence, type EvidenceByStudent } from '../../data/queries/evidence';
import { readItems, type Items } from '../../data/queries/items';
import { readLibrary, type Library } from '../../data/queries/library';
import type { RollRow } from '../../data/queries/roll';
import { readFollowed, readVersions, versionFor, type SyllabusRead, type Versions } from '../../data/queries/syllabus';
import { adaptation, consent, injury, override } from '../../data/tables';

type AdaptationRow = typeof adaptation.$inferSelect;

export type OverrideRow = typeof override.$inferSelect;

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

export const NOTHING: Evidence = new Map();

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

export type Judgeable = Pick<RollRow, 'id' | 'born' | 'since' | 'rankId'>;
