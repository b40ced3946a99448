import { asc } from 'drizzle-orm';
import type { TechniqueDetail } from '../../contracts/stored/technique';
import { itemPoints, type Point, type Slip, type Technique } from '../../core';
import type { Transaction } from '../connection';
import { point, slip, technique } from '../tables';

type PointRow = typeof point.$inferSelect;

export function pointOf(p: PointRow, slips: readonly Slip[]): Point {
  const range = (lo: number | null, hi: number | null) => (lo === null || hi === null ? null : { lo, hi });
  return {
    id: p.id,
    name: p.name,
    how: p.how,
    why: p.why,
    kind: p.kind,
    bodyPart: p.bodyPart,
    critical: p.critical,
    unit: p.unit,
    accepted: range(p.acceptedLo, p.acceptedHi),
    wanted: range(p.wantedLo, p.wantedHi),
    measuredBy: p.measuredBy,
    slips,
  };
}

export interface Library {
  techniques: ReadonlyMap<
    string,
    Technique & { retired: boolean; mergedInto: string | null; summary: string; detail: TechniqueDetail }
  >;
  /** Points of an item, inherited ones included, from the ground up. */
  pointsOf(techniqueId: string): readonly Point[];
  /** Which technique a point belongs to. */
  ownerOf: ReadonlyMap<string, Technique>;
}

/** The whole library in three queries; it is small beside the marks. Retired points are left out. */
export async function readLibrary(tx: Transaction): Promise<Library> {
  const rows = await tx.select().from(technique).orderBy(asc(technique.name));
  const pointRows = await tx.select().from(point).orderBy(asc(point.position));
  const slipRows = await tx.select().from(slip).orderBy(asc(slip.position));
  const slips = new Map<string, Slip[]>();
  for (const s of slipRows) {
    const one = { id: s.id, looksLike: s.looksLike, cause: s.cause, cue: s.cue, hurts: s.hurts, hurtsHow: s.hurtsHow };
    slips.set(s.pointId, [...(slips.get(s.pointId) ?? []), one]);
  }
  const points = new Map<string, Point[]>();
  for (const p of pointRows) {
    if (p.retired) continue;
    points.set(p.techniqueId, [...(points.get(p.techniqueId) ?? []), pointOf(p, slips.get(p.id) ?? [])]);
  }
  const techniques = new Map(rows.map((t) => [t.id, { ...t, points: points.get(t.id) ?? [] }]));
  const ownerOf = new Map<string, Technique>();
  for (const t of techniques.values()) for (const p of t.points) ownerOf.set(p.id, t);
  const items = new Map<string, Point[]>();
  const pointsOf = (id: string) => {
    let found = items.get(id);
    if (!found) {
      const t = techniques.get(id);
      items.set(id, (found = t ? itemPoints(t, techniques) : []));
    }
    return found;
  };
  return { techniques, pointsOf, ownerOf };
}
