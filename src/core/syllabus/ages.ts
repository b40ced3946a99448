import type { Syllabus } from './syllabus';

/** The youngest age at which a rank can be worn: the highest gate of age up to it; 0 where there is none. */
export function ageAt(s: Syllabus, ranks: readonly string[], rankId: string): number {
  const upTo = ranks.slice(0, ranks.indexOf(rankId) + 1);
  return Math.max(0, ...s.gates.filter((g) => g.kind === 'age' && upTo.includes(g.rankId)).map((g) => g.amount));
}
