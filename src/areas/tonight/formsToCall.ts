import { callerPath } from '../../contracts/blockCall';
import { itemKey, type Block } from '../../core';
import type { KitItem } from '../../kit/mat/line';

/** Forms of blocks that the caller can call, each with its page as the block wants it called. */
export function formsToCall(blocks: readonly Block[], items: readonly KitItem[]): { name: string; path: string }[] {
  const named = new Map(items.map((i) => [i.key, i.name]));
  const all = blocks
    .flatMap((b) => b.items)
    .flatMap((i) =>
      'sequence' in i.item
        ? [{ name: named.get(itemKey(i.item)) ?? 'it', path: callerPath(i.item.sequence, i.call ?? null) }]
        : [],
    );
  return [...new Map(all.map((f) => [f.path, f])).values()];
}
