import { detailOut, type TechniqueFile } from '../../../contracts/techniqueFile';
import type { readLibrary } from '../../../data/queries/library';

/** The library without ids, for other houses; retired techniques stay here. */
export function techniquesOut(library: Awaited<ReturnType<typeof readLibrary>>): TechniqueFile[] {
  const nameOf = (id: string | null) => (id === null ? null : (library.techniques.get(id)?.name ?? null));
  return [...library.techniques.values()]
    .filter((t) => !t.retired)
    .map((t) => ({
      name: t.name,
      kind: t.kind,
      summary: t.summary,
      sided: t.sided,
      stance: nameOf(t.stanceId),
      step: nameOf(t.stepId),
      before: t.detail.prerequisites.flatMap((id) => nameOf(id) ?? []),
      points: t.points.map(({ id: _id, slips, ...p }) => ({
        ...p,
        slips: slips.map(({ id: _slip, ...s }) => s),
      })),
      detail: detailOut(t.detail, (id) => t.points.find((p) => p.id === id)?.name ?? null),
    }));
}
