import { type RankRow } from '../../data/queries/syllabus';

/** The rank above one, or null at the top. */
export function rankAbove(ranks: readonly RankRow[], rankId: string): RankRow | null {
  const at = ranks.findIndex((r) => r.id === rankId);
  return at < 0 ? null : (ranks[at + 1] ?? null);
}
