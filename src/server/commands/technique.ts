import { and, eq, inArray, ne, sql } from 'drizzle-orm';
import type { CommandInput, CommandName } from '../../contracts/commands';
import { NO_DETAIL } from '../../contracts/stored/technique';
import { fold, mergeItems, standsOnItself } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { rereadAll } from '../../data/queries/sequences';
import { point, slip, syllabusVersion, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { notMeanwhile } from './meanwhile';

type Mine = Extract<CommandName, `technique.${string}`>;

export const techniqueCommands: Runs<Mine> = {
  'technique.save': async (tx, who, t) => {
    await inTurn(tx, who, 'library');
    await saveTechnique(tx, who, t);
    // Sequences name techniques: what was unknown may be known now, and a new name is written where the old one stood.
    await rereadAll(tx);
    return { id: t.id };
  },

  'technique.retire': async (tx, _who, { id, retired }) => {
    const done = await tx
      .update(technique)
      .set({ retired })
      .where(eq(technique.id, id))
      .returning({ id: technique.id });
    if (done.length === 0) throw new Refusal(404, 'This technique is not in the library.');
    return { id };
  },

  /**
   * Two techniques are one and the same. What asks for the second asks for the first; its points that the first does
   * not have move over with their marks, its names find the first from now on. The second is retired, with the points
   * that both have, so that no mark is lost from the record.
   */
  'technique.merge': async (tx, who, { keepId, goneId }) => {
    await inTurn(tx, who, 'library');
    if (keepId === goneId) throw new Refusal(422, 'Two different techniques are needed.');
    const rows = await tx
      .select()
      .from(technique)
      .where(inArray(technique.id, [keepId, goneId]));
    const keep = rows.find((r) => r.id === keepId);
    const gone = rows.find((r) => r.id === goneId);
    if (!keep || !gone) throw new Refusal(404, 'One of the two is not in the library.');
    if (keep.kind !== gone.kind)
      throw new Refusal(
        422,
        `${keep.name} is a ${keep.kind} and ${gone.name} a ${gone.kind}: they cannot be the same.`,
      );
    const points = await tx
      .select()
      .from(point)
      .where(inArray(point.techniqueId, [keepId, goneId]));
    const names = new Set(points.filter((p) => p.techniqueId === keepId).map((p) => fold(p.name)));
    let position = points.filter((p) => p.techniqueId === keepId).length;
    for (const p of points.filter((x) => x.techniqueId === goneId && !names.has(fold(x.name))))
      await tx.update(point).set({ techniqueId: keepId, position: position++ }).where(eq(point.id, p.id));
    // Published versions stay as they are and are read as naming the first; the draft is changed.
    const drafts = await tx.select().from(syllabusVersion).where(eq(syllabusVersion.state, 'draft'));
    for (const d of drafts)
      await tx
        .update(syllabusVersion)
        .set({
          body: mergeItems(d.body, { technique: goneId }, { technique: keepId }),
          version: sql`${syllabusVersion.version} + 1`,
        })
        .where(eq(syllabusVersion.id, d.id));
    await tx
      .update(technique)
      .set({ stanceId: keepId })
      .where(and(eq(technique.stanceId, goneId), ne(technique.id, keepId)));
    await tx
      .update(technique)
      .set({ stepId: keepId })
      .where(and(eq(technique.stepId, goneId), ne(technique.id, keepId)));
    const known = new Set(keep.detail.terms.map((x) => fold(x.text)));
    await tx
      .update(technique)
      .set({
        detail: {
          ...keep.detail,
          terms: [...keep.detail.terms, ...gone.detail.terms.filter((x) => !known.has(fold(x.text)))].slice(0, 20),
          formerly: [...new Set([...keep.detail.formerly, gone.name, ...gone.detail.formerly])],
        },
        changedAt: new Date(),
        changedBy: who.personId,
      })
      .where(eq(technique.id, keepId));
    await tx
      .update(technique)
      .set({ retired: true, mergedInto: keepId, name: `${gone.name} (now ${keep.name})` })
      .where(eq(technique.id, goneId));
    await rereadAll(tx);
    return { id: keepId };
  },
};

/**
 * Saves a technique whole. Points that were taken out are deleted if nobody was ever marked on them, and retired
 * otherwise; a point that has marks keeps its kind, since marks of another kind could not be read any more.
 */
export async function saveTechnique(tx: Transaction, who: Who, t: CommandInput<'technique.save'>): Promise<void> {
  const { schoolId } = who;
  if (t.stanceId === t.id || t.stepId === t.id)
    throw new Refusal(422, 'A technique cannot stand on itself.', [
      { path: 'stanceId', message: 'A technique cannot stand on itself.' },
    ]);
  const twin = await tx
    .select({ id: technique.id })
    .from(technique)
    .where(and(sql`lower(${technique.name}) = lower(${t.name})`, sql`${technique.id} <> ${t.id}`));
  if (twin.length > 0)
    throw new Refusal(422, `There already is a technique called ${t.name}.`, [
      { path: 'name', message: `There already is a technique called ${t.name}.` },
    ]);

  const { points, detail, version, ...own } = t;
  const known = await tx
    .select({
      name: technique.name,
      kind: technique.kind,
      detail: technique.detail,
      version: technique.version,
      changedAt: technique.changedAt,
      changedBy: technique.changedBy,
    })
    .from(technique)
    .where(eq(technique.id, t.id));
  const old = known[0];
  await notMeanwhile(tx, old?.name ?? '', old, version, () => techniqueNow(tx, t.id));
  await standsSoundly(tx, t);
  const kept = detail ?? old?.detail ?? NO_DETAIL;
  const renamed = old && fold(old.name) !== fold(t.name) ? [old.name] : [];
  const formerly = [...new Set([...(old?.detail.formerly ?? []), ...kept.formerly, ...renamed])].filter(
    (f) => fold(f) !== fold(t.name),
  );
  const row = { ...own, detail: { ...kept, formerly }, changedAt: new Date(), changedBy: who.personId };
  await tx
    .insert(technique)
    .values({ schoolId, ...row })
    .onConflictDoUpdate({
      target: [technique.schoolId, technique.id],
      set: { ...row, version: sql`${technique.version} + 1` },
    });

  const before = await tx
    .select({
      id: point.id,
      kind: point.kind,
      marked: sql<boolean>`exists (select 1 from mark m where m.point_id = "point"."id") or exists (select 1 from adaptation a where a.point_id = "point"."id")`,
    })
    .from(point)
    .where(eq(point.techniqueId, t.id));
  const stay = new Set(points.map((p) => p.id));
  const others =
    points.length === 0
      ? []
      : await tx
          .select({ id: point.id, technique: technique.name })
          .from(point)
          .innerJoin(technique, and(eq(technique.schoolId, point.schoolId), eq(technique.id, point.techniqueId)))
          .where(and(inArray(point.id, [...stay]), ne(point.techniqueId, t.id)));
  if (others[0]) {
    const i = points.findIndex((p) => p.id === others[0]!.id);
    throw new Refusal(422, `“${points[i]!.name}” is a point of ${others[0].technique}. Write a new point instead.`, [
      { path: `points.${i}.id`, message: `It is a point of ${others[0].technique}.` },
    ]);
  }
  const gone = before.filter((p) => !stay.has(p.id));
  const ids = before.map((p) => p.id);
  if (ids.length > 0) await tx.delete(slip).where(inArray(slip.pointId, ids));
  const unmarked = gone.filter((p) => !p.marked).map((p) => p.id);
  const marked = gone.filter((p) => p.marked).map((p) => p.id);
  if (unmarked.length > 0) await tx.delete(point).where(inArray(point.id, unmarked));
  if (marked.length > 0) await tx.update(point).set({ retired: true }).where(inArray(point.id, marked));
  for (const [position, p] of points.entries()) {
    const was = before.find((b) => b.id === p.id);
    if (was?.marked && was.kind !== p.kind)
      throw new Refusal(422, `“${p.name}” has marks, so it stays ${was.kind}. Add a new point instead.`, [
        {
          path: `points.${position}.kind`,
          message: `It has marks, so it stays ${was.kind}. Add a new point instead.`,
        },
      ]);
    const values = pointRow(t.id, position, p);
    await tx
      .insert(point)
      .values({ schoolId, id: p.id, ...values })
      .onConflictDoUpdate({ target: [point.schoolId, point.id], set: values });
  }
  const slips = points.flatMap((p) => p.slips.map((s, position) => ({ schoolId, pointId: p.id, position, ...s })));
  if (slips.length > 0) await tx.insert(slip).values(slips);
}

/** A technique as it stands, in the shape in which it is saved. */
async function techniqueNow(tx: Transaction, id: string): Promise<CommandInput<'technique.save'>> {
  const t = (await readLibrary(tx)).techniques.get(id)!;
  const { name, kind, summary, sided, stanceId, stepId, points, detail } = t;
  return {
    id,
    name,
    kind,
    summary,
    sided,
    stanceId,
    stepId,
    detail,
    points: points.map((p) => ({ ...p, slips: p.slips.map((s) => ({ ...s })) })),
  };
}

/** Stances and steps are there, and nothing stands on itself by way of them. */
async function standsSoundly(tx: Transaction, t: CommandInput<'technique.save'>): Promise<void> {
  const wrong = (path: 'stanceId' | 'stepId', message: string) => new Refusal(422, message, [{ path, message }]);
  if (t.stanceId === null && t.stepId === null) return;
  const all = await tx
    .select({ id: technique.id, name: technique.name, stanceId: technique.stanceId, stepId: technique.stepId })
    .from(technique);
  for (const path of ['stanceId', 'stepId'] as const)
    if (t[path] !== null && !all.some((x) => x.id === t[path]))
      throw wrong(path, 'This technique is not in the library.');
  const circle = standsOnItself([...all.filter((x) => x.id !== t.id), t]);
  if (!circle) return;
  const nameOf = (id: string) => (id === t.id ? t.name : (all.find((x) => x.id === id)?.name ?? ''));
  throw wrong('stanceId', `${[...circle, circle[0]!].map(nameOf).join(' stands on ')}: nothing can stand on itself.`);
}

type PointInput = CommandInput<'technique.save'>['points'][number];

/** A point as it is stored; only measured ones have a unit and ranges. */
export function pointRow(techniqueId: string, position: number, p: PointInput) {
  const measured = p.kind === 'measured';
  return {
    techniqueId,
    position,
    name: p.name,
    how: p.how,
    why: p.why,
    kind: p.kind,
    bodyPart: p.bodyPart,
    critical: p.critical,
    unit: measured ? p.unit : null,
    acceptedLo: measured ? (p.accepted?.lo ?? null) : null,
    acceptedHi: measured ? (p.accepted?.hi ?? null) : null,
    wantedLo: measured ? (p.wanted?.lo ?? null) : null,
    wantedHi: measured ? (p.wanted?.hi ?? null) : null,
    measuredBy: measured ? (p.measuredBy ?? null) : null,
    retired: false,
  };
}
