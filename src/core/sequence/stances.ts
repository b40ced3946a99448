import type { StanceGeometry } from '../floor/stance';
import { fold } from '../units/fold';
import { stepsIn } from './checks/named';
import type { Sequence } from './move';
import type { Vocabulary } from './notation/vocabulary';

/** A stance of the school with how its feet stand. */
export interface SchoolStance {
  name: string;
  geometry: StanceGeometry;
}
/** How the feet stand in a stance of the school; null: it has none of that name. */
export type FindStance = (name: string) => StanceGeometry | null;

/** The school's stances as its library has them, by name or by the name with “stance” behind it. */
export const stancesOf =
  (vocabulary: Vocabulary): FindStance =>
  (name) =>
    vocabulary.find(name)?.geometry ?? vocabulary.find(`${name} stance`)?.geometry ?? null;

/** Those that a sequence stands in, each by the name it uses: what a drawing needs where the library is not at hand. */
export function stancesIn(seq: Sequence, find: FindStance): SchoolStance[] {
  const names = new Set(seq.moves.flatMap(stepsIn).flatMap((s) => (s.stance === null ? [] : [s.stance])));
  return [...names].flatMap((name) => {
    const geometry = find(name);
    return geometry ? [{ name, geometry }] : [];
  });
}

/** What `stancesIn` took along, to be found again. */
export function stancesNamed(list: readonly SchoolStance[]): FindStance {
  const by = new Map(list.map((s) => [fold(s.name), s.geometry]));
  return (name) => by.get(fold(name)) ?? null;
}
