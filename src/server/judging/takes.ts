import { itemKey, type Item, type ThingServes } from '../../core';
import type { Judging } from './judging';

/** What an item takes out of the store besides its condition’s gear: a weapon, mats for a fall. */
export const takenBy = (j: Judging, item: Item): ThingServes[] => [
  ...(j.items.factsOf(itemKey(item), item)?.weapon ? ['staff' as const] : []),
  ...('technique' in item && j.library.techniques.get(item.technique)?.kind === 'fall' ? ['mats' as const] : []),
];

/** The same of many, by item key; what takes nothing is left out. */
export const takesOf = (j: Judging, items: readonly Item[]): Record<string, ThingServes[]> =>
  Object.fromEntries(
    items.flatMap((item) => {
      const takes = takenBy(j, item);
      return takes.length > 0 ? [[itemKey(item), takes] as const] : [];
    }),
  );
