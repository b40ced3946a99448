import { asc, eq, sql } from 'drizzle-orm';
import {
  NOTHING_ASKED,
  orderOf,
  requirementsOf,
  type ConditionOrder,
  type Gate,
  type Requirement,
  type Syllabus,
} from '../../core';
import type { Transaction } from '../connection';
import { condition, rank, syllabusFollowed, syllabusVersion } from '../tables';

export type RankRow = typeof rank.$inferSelect;
export type ConditionRow = typeof condition.$inferSelect;
export type VersionRow = typeof syllabusVersion.$inferSelect;
export type PlacedItem = Requirement & { rankId: string; threadId: string };

/** One version, ready to be judged by. */
export interface SyllabusRead {
  /** Null: nothing is published or drafted yet. */
  versionId: string | null;
  body: Syllabus;
  ranks: RankRow[];
  conditions: ConditionRow[];
  order: ConditionOrder;
  requirements: PlacedItem[];
  gates: (Gate & { rankId: string })[];
}

/** All versions of a school: the published ones from the oldest, and the draft if there is one. */
export interface Versions {
  published: VersionRow[];
  draft: VersionRow | null;
  ranks: RankRow[];
  conditions: ConditionRow[];
  /** The published version in force on a day; null: none is yet. */
  inForce: (day: string) => VersionRow | null;
  read: (version: VersionRow | null) => SyllabusRead;
}

/** Everything in three queries; each version is read out once. */
export async function readVersions(tx: Transaction): Promise<Versions> {
  const ranks = await tx.select().from(rank).orderBy(asc(rank.position));
  const conditions = await tx.select().from(condition).orderBy(asc(condition.position));
  const rows = await tx.select().from(syllabusVersion).orderBy(asc(syllabusVersion.from));
  const published = rows.filter((r) => r.state === 'published');
  const draft = rows.find((r) => r.state === 'draft') ?? null;
  const done = new Map<string, SyllabusRead>();
  const there = new Set(ranks.map((r) => r.id));
  const read = (version: VersionRow | null): SyllabusRead => {
    const key = version?.id ?? '';
    let made = done.get(key);
    if (!made) {
      const body = version?.body ?? NOTHING_ASKED;
      made = {
        versionId: version?.id ?? null,
        body,
        ranks,
        conditions,
        order: orderOf(
          body,
          conditions.map((c) => c.id),
        ),
        requirements: requirementsOf(body).filter((r) => there.has(r.rankId)),
        gates: body.gates.filter((g) => there.has(g.rankId)),
      };
      done.set(key, made);
    }
    return made;
  };
  const inForce = (day: string) => published.findLast((r) => r.from! <= day) ?? null;
  return { published, draft, ranks, conditions, inForce, read };
}

/** What counts for the whole school on a day: the version in force, or else the first published, or the draft. */
export const countsOn = (v: Versions, day: string): VersionRow | null => v.inForce(day) ?? v.published[0] ?? v.draft;

export async function readSyllabus(tx: Transaction, today: string): Promise<SyllabusRead> {
  const v = await readVersions(tx);
  return v.read(countsOn(v, today));
}

/** The newest thinking of the school: the draft, or else what was published last. */
export async function readNewest(tx: Transaction): Promise<SyllabusRead> {
  return newestOf(await readVersions(tx));
}

/** The same of versions that were read already. */
export const newestOf = (v: Versions): SyllabusRead => v.read(v.draft ?? v.published.at(-1) ?? null);

/** Students moved to a version since a day, by student: the newest move. */
export async function readFollowed(tx: Transaction): Promise<Map<string, { versionId: string; day: string }>> {
  const rows = await tx.select().from(syllabusFollowed).orderBy(asc(syllabusFollowed.at));
  return new Map(rows.map((r) => [r.studentId, { versionId: r.versionId, day: r.day }]));
}

/**
 * The version a student is judged by: the one they were moved to since their present belt, or the one in force when
 * that belt was given, or else the first there was.
 */
export function versionFor(
  v: Versions,
  student: { id: string; since: string },
  followed: ReadonlyMap<string, { versionId: string; day: string }>,
): VersionRow | null {
  const moved = followed.get(student.id);
  if (moved && moved.day >= student.since) {
    const to = v.published.find((p) => p.id === moved.versionId);
    if (to) return to;
  }
  return v.inForce(student.since) ?? v.published[0] ?? null;
}

/** The draft as it stands; where there is none, one is made from the version that was published last. */
export async function openDraft(
  tx: Transaction,
  schoolId: string,
  newId: () => string,
): Promise<{ id: string; body: Syllabus; version: number; isNew: boolean }> {
  const drafts = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.state, 'draft')).for('update');
  const draft = drafts[0];
  if (draft) return { id: draft.id, body: draft.body, version: draft.version, isNew: false };
  const last = await tx
    .select({ body: syllabusVersion.body })
    .from(syllabusVersion)
    .where(eq(syllabusVersion.state, 'published'))
    .orderBy(sql`${syllabusVersion.from} desc`)
    .limit(1);
  const id = newId();
  const body = last[0]?.body ?? NOTHING_ASKED;
  // Two who begin at the same moment: the second waits here, makes none, and goes on with the other's.
  const made = await tx
    .insert(syllabusVersion)
    .values({ schoolId, id, state: 'draft', title: '', body, version: 0 })
    .onConflictDoNothing()
    .returning({ id: syllabusVersion.id });
  return made.length > 0 ? { id, body, version: 0, isNew: true } : openDraft(tx, schoolId, newId);
}
