import type { PointShown } from '../../contracts/views';
import { type Library } from '../../data/queries/library';

/** The points of an item, each saying from which technique it is inherited. */
export function shownPoints(library: Library, techniqueId: string): PointShown[] {
  return library.pointsOf(techniqueId).map((p) => {
    const owner = library.ownerOf.get(p.id);
    return { ...p, from: owner && owner.id !== techniqueId ? { id: owner.id, name: owner.name } : null };
  });
}
