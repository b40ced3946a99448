import { detailOut } from '../../contracts/techniqueFile';
import type { LibraryView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';

/** The library without ids, for other houses; retired techniques stay here. */
export async function libraryView(tx: Transaction): Promise<LibraryView> {
  const library = await readLibrary(tx);
  const nameOf = (id: string | null) => (id === null ? null : (library.techniques.get(id)?.name ?? null));
  return {
    techniques: [...library.techniques.values()]
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
      })),
  };
}
