// Weeks towards a day: what is planned, what was held of it, and what could be put in.
import type { ClassRecord, Cycle, UsuallyCome, WeeklyClass, WorkAsked } from '../../core';
import type { HallShown } from './hall';
import type { RankShown } from './rank';

export interface CycleView {
  today: string;
  timeZone: string;
  school: string;
  /** Null: nothing is planned yet. */
  shown: { id: string; cycle: Cycle; version: number } | null;
  /** All there are, the newest day first. */
  all: { id: string; name: string; day: string }[];
  /** What is known of the classes that were held in these weeks. */
  records: ClassRecord[];
  ranks: RankShown[];
  conditions: { id: string; name: string }[];
  halls: Pick<HallShown, 'id' | 'name'>[];
  /** Gradings to come. */
  gradings: { id: string; title: string; day: string }[];
  weekly: WeeklyClass[];
  usually: UsuallyCome[];
  usualMinutes: number;
  /** Items that have a left and a right, by their keys. */
  sided: string[];
  /** Addresses from which calendars fetch it, without their secrets; the head sees them. */
  addresses: { id: string; name: string; at: string }[] | null;
}

/** What those who usually come are asked by their next belts. */
export interface CycleAskedView {
  asked: WorkAsked[];
  /** Which belts each is asked by, in the same order. */
  ranks: string[][];
  rule: { perPoint: number; perCount: number };
  /** Who comes: how many of the roll. */
  people: number;
}

/** Something that was taught in a week, with all that somebody who was away should know of it. */
export interface CatchUpItem {
  name: string;
  itemKey: string;
  /** Days on which it was taught. */
  days: string[];
  /** Under which conditions, by name. */
  conditions: string[];
  /** Belts that ask it; empty: nobody does, it is passed on informally. */
  belts: string[];
  /** All its points, from the ground up, with what is said for each. */
  points: { name: string; cue: string; hurts: boolean }[];
  /** What looks alike, and what tells the two apart. */
  contrast: { with: string; here: string[]; there: string[] } | null;
  /** How it is made up alone where it needs a partner; empty: it needs none. */
  alone: string;
}

/** What a week taught, for those who were away. */
export interface CatchUpView {
  today: string;
  school: string;
  /** Monday and Sunday. */
  from: string;
  to: string;
  classes: { day: string; minutes: number; people: number }[];
  items: CatchUpItem[];
  /** What was planned and did not fit: skipped, or its class was lost. */
  notFit: { day: string; name: string; how: string; why: 'skipped' | 'lost' }[];
  /** The day of the test; null: none is set. */
  test: { name: string; day: string } | null;
  /** Of the weeks to that day: what each belt has had of what it is asked, in minutes. */
  belts: { name: string; rows: { name: string; had: number; of: number }[] }[];
}
