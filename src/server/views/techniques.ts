import type { TechniquesView } from '../../contracts/views';
import { canHurt } from '../../core';
import type { Transaction } from '../../data/connection';
import { readLibrary } from '../../data/queries/library';
import { readNewest } from '../../data/queries/syllabus';
import { isTechnique } from './technique';

export async function techniquesView(tx: Transaction): Promise<TechniquesView> {
  const library = await readLibrary(tx);
  const { ranks, requirements } = await readNewest(tx);
  return {
    ranks: ranks.map(({ id, name, cloth }) => ({ id, name, cloth })),
    techniques: [...library.techniques.values()].map((t) => {
      const points = library.pointsOf(t.id);
      return {
        id: t.id,
        name: t.name,
        kind: t.kind,
        retired: t.retired,
        sided: t.sided,
        stanceId: t.stanceId,
        points: points.length,
        critical: points.filter((p) => p.critical).length,
        hurts: points.some(canHurt),
        terms: [...t.detail.terms.flatMap((x) => [x.text, x.said]), ...t.detail.formerly].filter(Boolean),
        usedBy: ranks
          .filter((r) => requirements.some((q) => q.rankId === r.id && isTechnique(q.item, t.id)))
          .map((r) => r.id),
      };
    }),
  };
}
