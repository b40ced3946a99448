import { fold } from '../units/fold';
import type { Technique } from './technique';

export interface Suggestion {
  id: string;
  name: string;
  why: string;
}

/**
 * What one might have to know first: its stance, its step or turn, what its name is made of, and what the same kind is
 * asked for at the rank nearest below. Suggestions only: the order belongs to the school.
 */
export function suggestPrerequisites(
  technique: Technique,
  all: readonly Technique[],
  rankOf: (id: string) => number | null,
  already: readonly string[],
): Suggestion[] {
  const out = new Map<string, Suggestion>();
  const add = (t: Technique | undefined, why: string) => {
    if (t && t.id !== technique.id && !already.includes(t.id) && !out.has(t.id))
      out.set(t.id, { id: t.id, name: t.name, why });
  };
  add(
    all.find((t) => t.id === technique.stanceId),
    'it is done in this stance',
  );
  add(
    all.find((t) => t.id === technique.stepId),
    'this carries it',
  );
  const words = ` ${fold(technique.name)} `;
  for (const t of all) if (words.includes(` ${fold(t.name)} `)) add(t, 'it is part of its name');
  const own = rankOf(technique.id);
  if (own !== null) {
    const below = all.filter((t) => t.kind === technique.kind && rankOf(t.id) !== null && rankOf(t.id)! < own);
    const nearest = Math.max(-1, ...below.map((t) => rankOf(t.id)!));
    for (const t of below.filter((x) => rankOf(x.id) === nearest)) add(t, `a ${t.kind} that is asked one step earlier`);
  }
  return [...out.values()].slice(0, 6);
}
