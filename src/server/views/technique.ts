import { and, eq, gte, inArray, sql } from 'drizzle-orm';
import type { TechniqueDetail } from '../../contracts/stored/technique';
import type { TechniqueView, ViewInput } from '../../contracts/views';
import { addDays, commonStance, suggestPrerequisites, type Item } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { occurrences, readSequences } from '../../data/queries/sequences';
import { readNewest } from '../../data/queries/syllabus';
import { look, mark, person, technique } from '../../data/tables';
import { Refusal } from '../http/problem';
import { dayIn, type Who } from '../who';
import { shownPoints } from './library';
import { standingLook } from '../../data/queries/standingLook';

export const isTechnique = (item: Item, id: string): boolean => 'technique' in item && item.technique === id;

function stanceGeometryOf(stance: { name: string; detail: TechniqueDetail } | undefined): TechniqueView['stanceShown'] {
  if (!stance) return null;
  const geometry = stance.detail.geometry ?? commonStance(stance.name);
  return geometry && { name: stance.name, geometry };
}

export async function techniqueView(tx: Transaction, who: Who, { id }: ViewInput<'technique'>): Promise<TechniqueView> {
  const library = await readLibrary(tx);
  const t = library.techniques.get(id);
  if (!t) throw new Refusal(404, 'This technique is not in the library.');
  const { ranks, requirements, conditions } = await readNewest(tx);
  const changed = await tx
    .select({ version: technique.version, at: technique.changedAt, by: person.name })
    .from(technique)
    .leftJoin(person, and(eq(person.schoolId, technique.schoolId), eq(person.id, technique.changedBy)))
    .where(eq(technique.id, id));
  const points = shownPoints(library, id);
  const lately: TechniqueView['lately'] = {};
  if (points.length > 0) {
    const rows = await tx
      .select({
        pointId: mark.pointId,
        held: sql<number>`sum(${mark.held})::int`,
        of: sql<number>`sum(${mark.of})::int`,
        values: sql<string | null>`string_agg(array_to_string(${mark.values}, ','), ',')`,
      })
      .from(mark)
      .innerJoin(look, and(eq(look.schoolId, mark.schoolId), eq(look.id, mark.lookId)))
      .where(
        and(
          inArray(
            mark.pointId,
            points.map((p) => p.id),
          ),
          gte(look.day, addDays(who.today, -90)),
          sql`exists (select 1 from ${standingLook} l where l.school_id = ${look.schoolId} and l.id = ${look.id})`,
        ),
      )
      .groupBy(mark.pointId);
    for (const r of rows)
      lately[r.pointId] = {
        held: r.held,
        of: r.of,
        values: r.values ? r.values.split(',').slice(-60).map(Number) : [],
      };
  }
  const others = [...library.techniques.values()].filter((x) => !x.retired && x.id !== id);
  const place = new Map(ranks.map((r, i) => [r.id, i]));
  const lowest = (techniqueId: string): number | null => {
    const asked = requirements.filter((q) => isTechnique(q.item, techniqueId)).map((q) => place.get(q.rankId)!);
    return asked.length > 0 ? Math.min(...asked) : null;
  };
  const stance = t.kind === 'stance' ? t : t.stanceId === null ? undefined : library.techniques.get(t.stanceId);
  const pick = (kinds: readonly string[]) =>
    others.filter((x) => kinds.includes(x.kind)).map((x) => ({ id: x.id, name: x.name }));
  return {
    technique: {
      id,
      name: t.name,
      kind: t.kind,
      summary: t.summary,
      sided: t.sided,
      stanceId: t.stanceId,
      stepId: t.stepId,
      retired: t.retired,
      version: changed[0]?.version ?? 1,
      changedOn: changed[0] ? dayIn(who.timeZone, changed[0].at) : who.today,
      changedBy: changed[0]?.by ?? null,
      detail: t.detail,
    },
    points,
    suggested: suggestPrerequisites(t, [t, ...others], (x) => lowest(x), t.detail.prerequisites),
    stanceShown: stanceGeometryOf(stance),
    others: others.map((x) => ({ id: x.id, name: x.name, kind: x.kind })),
    sequences: occurrences(
      (await readSequences(tx)).filter((r) => !r.retired),
      t.name,
    ),
    usedBy: requirements
      .filter((r) => isTechnique(r.item, id))
      .map((r) => {
        const at = ranks.find((x) => x.id === r.rankId)!;
        return {
          rank: { id: at.id, name: at.name, cloth: at.cloth },
          condition: conditions.find((c) => c.id === r.conditionId)?.name ?? '',
          standard: r.standard,
        };
      }),
    stances: pick(['stance']),
    steps: pick(['step', 'turn']),
    lately,
  };
}
