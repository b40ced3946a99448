import { THING_SERVES, type Thing } from './thing';

/**
 * Equipment by name, as items and conditions ask for it: what conditions and work take by the kinds of the store, whatever
 * was written down before; other things as they were written down, or by their names in the store. Where no store is kept
 * what was written down stands; null: nobody said.
 */
export function owned(
  owns: readonly string[] | null,
  kinds: readonly Pick<Thing, 'name' | 'serves'>[],
  kept = kinds.length > 0,
): readonly string[] | null {
  if (!kept) return owns;
  const counted: readonly string[] = THING_SERVES;
  return [
    ...new Set([
      ...(owns ?? []).filter((e) => !counted.includes(e)),
      ...kinds.flatMap((k) => (k.serves === null ? [] : [k.serves])),
      ...kinds.map((k) => k.name.toLowerCase()),
    ]),
  ];
}
