import type { Item } from '../../core';
import type { RankShown } from './rank';

/** The classes that were held lately, newest first, with who came and what was taught. */
export interface ClassesView {
  classes: {
    id: string;
    day: string;
    minutes: number;
    /** When it was opened at the mat; null: written in afterwards. */
    opened: string | null;
    by: string;
    present: string[];
    taught: Item[];
    /** Whether who reads may still put it right. */
    mends: boolean;
  }[];
  people: { id: string; name: string; rank: RankShown }[];
  items: { id: string; name: string; item: Item }[];
  /** Looks of who reads that others put right or struck in the last two weeks, the newest first. */
  putRight: { id: string; studentId: string; student: string; says: string; reason: string; by: string; day: string }[];
  timeZone: string;
  today: string;
}
