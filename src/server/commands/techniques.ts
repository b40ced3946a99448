import { and, eq, inArray, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import { point, slip, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';

type Mine = Extract<CommandName, `technique.${string}`>;

export const techniqueCommands: Runs<Mine> = {
  /**
   * Saves a technique whole. Points that were taken out are deleted if nobody was ever marked on them, and retired
   * otherwise; a point that has marks keeps its kind, since marks of another kind could not be read any more.
   */
  'technique.save': async (tx, who, t) => {
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

    const { points, ...own } = t;
    const row = { ...own, changedAt: new Date(), changedBy: who.personId };
    await tx
      .insert(technique)
      .values({ schoolId, ...row })
      .onConflictDoUpdate({ target: [technique.schoolId, technique.id], set: row });

    const before = await tx
      .select({
        id: point.id,
        kind: point.kind,
        marked: sql<boolean>`exists (select 1 from mark m where m.point_id = "point"."id") or exists (select 1 from adaptation a where a.point_id = "point"."id")`,
      })
      .from(point)
      .where(eq(point.techniqueId, t.id));
    const kept = new Set(points.map((p) => p.id));
    const gone = before.filter((p) => !kept.has(p.id));
    const ids = before.map((p) => p.id);
    if (ids.length > 0) await tx.delete(slip).where(inArray(slip.pointId, ids));
    const unmarked = gone.filter((p) => !p.marked).map((p) => p.id);
    const marked = gone.filter((p) => p.marked).map((p) => p.id);
    if (unmarked.length > 0) await tx.delete(point).where(inArray(point.id, unmarked));
    if (marked.length > 0) await tx.update(point).set({ retired: true }).where(inArray(point.id, marked));
    for (const [position, p] of points.entries()) {
      const old = before.find((b) => b.id === p.id);
      if (old?.marked && old.kind !== p.kind)
        throw new Refusal(422, `“${p.name}” has marks, so it stays ${old.kind}. Add a new point instead.`, [
          {
            path: `points.${position}.kind`,
            message: `It has marks, so it stays ${old.kind}. Add a new point instead.`,
          },
        ]);
      const measured = p.kind === 'measured';
      const values = {
        techniqueId: t.id,
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
        retired: false,
      };
      await tx
        .insert(point)
        .values({ schoolId, id: p.id, ...values })
        .onConflictDoUpdate({ target: [point.schoolId, point.id], set: values });
    }
    const slips = points.flatMap((p) => p.slips.map((s, position) => ({ schoolId, pointId: p.id, position, ...s })));
    if (slips.length > 0) await tx.insert(slip).values(slips);
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
};
