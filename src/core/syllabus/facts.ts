import type { ContactKind } from '../technique/ceiling';
import type { Zone } from '../units/zone';
import type { Item } from './item';

/** The families the coverage counts. */
export const FAMILIES = ['strike', 'block', 'kick', 'cut'] as const;
export type WorkFamily = (typeof FAMILIES)[number];

/** One cell of what an item trains. */
export interface Cell {
  family: WorkFamily;
  zone: Zone;
  side: 'left' | 'right';
}

/** Under which heading an item stands in the way. */
export const GROUPS = ['Basics', 'Forms', 'Combinations', 'Equipment', 'Partner'] as const;
export type Group = (typeof GROUPS)[number];

/** What the syllabus has to know of an item: read from the library and from the sequences, never typed in. */
export interface ItemFacts {
  item: Item;
  name: string;
  group: Group;
  sided: boolean;
  /** Points that are looked at, inherited ones included, and how many are critical. */
  points: number;
  /** Which they are: a point of a stance is the same in everything that stands in it. */
  pointIds: readonly string[];
  critical: number;
  counts: number;
  cells: readonly Cell[];
  /** Keys of the items it is made of: techniques of a sequence, the stance of a technique, the parent of a sequence. */
  contents: readonly string[];
  /** Condition (by id) beyond which it never goes; null: none is set, or it is not one of the school's. */
  ceiling: string | null;
  /** How hard it may land; null: that is not said, or it is a sequence, which is looked at count by count. */
  landing: ContactKind | null;
  /** From which age it may be done at all. */
  age: number | null;
  equipment: readonly string[];
  weapon: boolean;
  /** Impact that hardens the body: striking posts, arms on a training post. */
  hardens: boolean;
  /** It strikes or touches the head. */
  head: boolean;
  /** Metres it takes with reach, in either turn. */
  room: { width: number; depth: number } | null;
  retired: boolean;
}

/** What is known of an item by its name alone: gone from the library, or only just put in. */
export const NOTHING_KNOWN: Omit<ItemFacts, 'item' | 'name' | 'group'> = {
  sided: false,
  points: 0,
  pointIds: [],
  critical: 0,
  counts: 0,
  cells: [],
  contents: [],
  ceiling: null,
  landing: null,
  age: null,
  equipment: [],
  weapon: false,
  hardens: false,
  head: false,
  room: null,
  retired: false,
};
