import type { BlockCall } from '../caller/blockCall';
import type { WorkKind } from '../pairing/model';
import type { Item } from '../syllabus/item';

/** What a stretch of a class is for. */
export const BLOCK_KINDS = ['opening', 'basics', 'forms', 'partner', 'equipment', 'weapons', 'other', 'close'] as const;
export type BlockKind = (typeof BLOCK_KINDS)[number];

/** An item of a block, and under which condition; null: as the school usually does it. */
export interface BlockItem {
  item: Item;
  conditionId: string | null;
  /** How a form is called; absent or null: whoever calls it chooses. */
  call?: BlockCall | null;
}

/** Work with a partner in a block: what for, how far at most, and how often partners change. */
export interface BlockPairs {
  kind: WorkKind;
  /** The farthest rung of contact, from 1; 0: nothing lands on anybody. */
  rung: number;
  /** The attacker is set, the defender free: only who has the answers defends. */
  answers: boolean;
  rounds: number;
}

/** A stretch of an evening. */
export interface Block {
  id: string;
  name: string;
  kind: BlockKind;
  minutes: number;
  items: readonly BlockItem[];
  /** How it is done, who does what meanwhile, what is taken out for it, and what to mind: in the teacher's words. */
  how: string;
  who: string;
  things: string;
  caution: string;
  /** Null: everybody for themselves. */
  pairs: BlockPairs | null;
  /** Its minutes are not given away when time runs short. */
  pinned: boolean;
}

/** A block of which nothing is said yet. */
export const EMPTY_BLOCK: Omit<Block, 'id'> = {
  name: 'New block',
  kind: 'other',
  minutes: 10,
  items: [],
  how: '',
  who: '',
  things: '',
  caution: '',
  pairs: null,
  pinned: false,
};

/** One class as it is meant to go. */
export interface ClassPlan {
  /** When it begins, in minutes after midnight at the school, and how long it lasts. */
  starts: number;
  minutes: number;
  blocks: readonly Block[];
}

/** No block is shorter, in minutes. */
export const LEAST = 1;
/** What is left of a block that gives minutes away: less would not be worth beginning. */
export const WORTH_BEGINNING = 3;

/** Minutes of all blocks together. */
export const plannedMinutes = (blocks: readonly Pick<Block, 'minutes'>[]): number =>
  blocks.reduce((n, b) => n + b.minutes, 0);

/** By how many minutes the blocks are longer than the evening; below 0: so many are free. */
export const overBy = (e: ClassPlan): number => plannedMinutes(e.blocks) - e.minutes;

/** When each block begins and ends, in minutes after midnight. */
export function blockTimes(e: ClassPlan): { id: string; from: number; to: number }[] {
  let at = e.starts;
  return e.blocks.map((b) => ({ id: b.id, from: at, to: (at += b.minutes) }));
}

/**
 * Who can give so many minutes and still be worth beginning: never a pinned one; what is least short in the weeks first, of
 * those the longest.
 */
export function mayGive(blocks: readonly Block[], minutes: number, short: (b: Block) => number = () => 0): Block[] {
  return blocks
    .filter((b) => !b.pinned && b.minutes - minutes >= WORTH_BEGINNING)
    .sort((a, b) => short(a) - short(b) || b.minutes - a.minutes);
}

/** One block with other fields. */
export const changed = (e: ClassPlan, id: string, change: Partial<Block>): ClassPlan => ({
  ...e,
  blocks: e.blocks.map((b) => (b.id === id ? { ...b, ...change } : b)),
});

/** A block longer or shorter by so many minutes, never under the least. */
export function resized(e: ClassPlan, id: string, by: number): ClassPlan {
  const b = e.blocks.find((x) => x.id === id);
  return b ? changed(e, id, { minutes: Math.max(LEAST, b.minutes + by) }) : e;
}

/** A block at another place, counted from 0. */
export function moved(e: ClassPlan, id: string, to: number): ClassPlan {
  const block = e.blocks.find((b) => b.id === id);
  if (!block) return e;
  const rest = e.blocks.filter((b) => b !== block);
  const at = Math.max(0, Math.min(rest.length, to));
  return { ...e, blocks: [...rest.slice(0, at), block, ...rest.slice(at)] };
}

/** A block more, before the one at `at`. */
export const inserted = (e: ClassPlan, block: Block, at: number): ClassPlan => ({
  ...e,
  blocks: [...e.blocks.slice(0, at), block, ...e.blocks.slice(at)],
});

export const removed = (e: ClassPlan, id: string): ClassPlan => ({ ...e, blocks: e.blocks.filter((b) => b.id !== id) });

/**
 * The blocks in as many minutes as the evening has: pinned ones keep theirs, the others share the rest as they shared it, in
 * whole minutes that add up. Unchanged where the pinned ones leave less than a minute each.
 */
export function fittedTo(blocks: readonly Block[], minutes: number): Block[] {
  const free = blocks.filter((b) => !b.pinned);
  const left = minutes - plannedMinutes(blocks.filter((b) => b.pinned));
  const before = plannedMinutes(free);
  if (free.length === 0 || left < free.length * LEAST || before === 0) return [...blocks];
  const exact = free.map((b) => ({ id: b.id, share: Math.max(LEAST, (b.minutes * left) / before) }));
  const whole = new Map(exact.map((x) => [x.id, Math.floor(x.share)]));
  let open = left - [...whole.values()].reduce((n, m) => n + m, 0);
  // What rounding left over goes to those who lost most by it; what is too much is taken from the longest.
  const byLoss = [...exact].sort((a, b) => (b.share % 1) - (a.share % 1));
  for (let i = 0; open > 0; i += 1, open -= 1) {
    const { id } = byLoss[i % byLoss.length]!;
    whole.set(id, whole.get(id)! + 1);
  }
  for (; open < 0; open += 1) {
    const [id, m] = [...whole].sort((a, b) => b[1] - a[1])[0]!;
    whole.set(id, m - 1);
  }
  return blocks.map((b) => (whole.has(b.id) ? { ...b, minutes: whole.get(b.id)! } : b));
}
