import type { LookKitView } from '../../contracts/views';
import { itemKey, nextLooks, sweepInWords, type Block, type Group, type WorthALook } from '../../core';
import { ordersOfKit, worthsOfKit, type KitItem, type KitStudent } from '../../kit/mat/line';

/** Where nothing is named in a block, what of each group can be watched in it. */
const SEEN_IN: Record<Block['kind'], readonly Group[]> = {
  opening: [],
  basics: ['Basics'],
  forms: ['Forms', 'Combinations'],
  partner: ['Partner'],
  equipment: ['Equipment'],
  weapons: ['Forms', 'Combinations'],
  other: [],
  close: [],
};

/** A look worth taking, with its block and what is said of it. */
export interface LookInBlock {
  look: WorthALook;
  blockId: string;
  reason: string;
}

/** Whether an item can be watched in a block. */
export function seenIn(block: Block, key: string, group: Group | undefined): boolean {
  if (block.items.length > 0) return block.items.some((i) => itemKey(i.item) === key);
  return group !== undefined && SEEN_IN[block.kind].includes(group);
}

/**
 * What is worth a look among those who are coming, beside the block in which it can be seen; of each block the first few, in
 * the order of their worth.
 */
export function looksByBlock(
  kit: LookKitView,
  items: readonly KitItem[],
  blocks: readonly Block[],
  people: readonly KitStudent[],
  done: readonly string[],
  each: (block: Block) => number,
): LookInBlock[] {
  if (people.length === 0) return [];
  const byKey = new Map(items.map((i) => [i.key, i]));
  const groupOf = new Map(kit.asked.map((a) => [a.itemKey, a.group]));
  const worths = worthsOfKit(kit);
  const names = new Map(kit.students.map((s) => [s.id, s.name.split(' ')[0]!]));
  const blockOf = (key: string) => blocks.find((b) => seenIn(b, key, groupOf.get(key)));
  const found = nextLooks(
    worths,
    {
      present: people.map((p) => p.id),
      orderOf: ordersOfKit(kit),
      visible: (key) => byKey.has(key) && blockOf(key) !== undefined,
      done: new Set(done),
    },
    60,
  );
  const taken = new Map<string, number>();
  return found.flatMap((look) => {
    const block = blockOf(look.itemKey);
    // A form is watched by its card: no point of it is swept along a line.
    if (look.kind === 'sweep' && !byKey.get(look.itemKey)?.technique) return [];
    if (!block || done.includes(`${look.itemKey} ${look.pointId} ${look.side}`)) return [];
    const n = taken.get(block.id) ?? 0;
    if (n >= each(block)) return [];
    taken.set(block.id, n + 1);
    const reason =
      look.kind === 'sweep'
        ? sweepInWords(look, (id) => names.get(id) ?? '')
        : (worths.find((x) => x.requirementId === look.requirementId && x.studentId === look.studentIds[0])?.reason ??
          '');
    return [{ look, blockId: block.id, reason }];
  });
}

/** The address at which a look begins. */
export function addressOf({ look }: LookInBlock): string {
  const q = new URLSearchParams({ item: look.itemKey, condition: look.conditionId });
  if (look.side === 'left' || look.side === 'right') q.set('side', look.side);
  if (look.kind === 'sweep' && look.pointId) q.set('point', look.pointId);
  if (look.kind === 'card') q.set('student', look.studentIds[0]!);
  return `/look?${q.toString()}`;
}
