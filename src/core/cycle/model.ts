import type { BlockItem, BlockKind, BlockPairs } from '../tonight/plan';
import type { PlainDate } from '../units/plainDate';

/** Cells are scribed every so many minutes: nothing shorter is planned, and everything is a multiple of it. */
export const UNIT = 5;

export const CYCLE_ENDS = ['grading', 'midterm', 'end of term'] as const;
export type CycleEnd = (typeof CYCLE_ENDS)[number];

/** A class that comes every week. `weekday` from 0, Sunday. */
export interface WeeklyClass {
  weekday: number;
  /** Minutes after midnight at the school. */
  starts: number;
  minutes: number;
  hallId: string | null;
}

/** One class of the weeks; the plan of its evening and the class that is held from it have the same id. */
export interface CycleClass {
  id: string;
  day: PlainDate;
  starts: number;
  minutes: number;
  hallId: string | null;
  /** Why it is not held ("hall shut", "water in the hall"); null: it is. */
  off: string | null;
  /** Minutes that belong to somebody else that evening, and to whom. */
  guest: { name: string; minutes: number } | null;
  /** Minutes of opening and close, where they are not as usual. */
  frame: number | null;
}

/** How hard a thing is on bodies, minute by minute. */
export const HEAVINESS = ['light', 'middling', 'heavy'] as const;
export type Heaviness = (typeof HEAVINESS)[number];

/** What is worked at together, as one row of the plan. */
export interface CycleRow {
  id: string;
  name: string;
  items: readonly BlockItem[];
  /** Minutes until the day, those that were held included. */
  minutes: number;
  /** The shortest and the longest stretch of it in one class. */
  least: number;
  most: number;
  /** It comes again within so many classes, of those in which it may come. */
  gap: number;
  /** Not before this day; null: from the first class on. */
  from: PlainDate | null;
  /** Weekdays on which it does not come. */
  notOn: readonly number[];
  /** Nobody has been shown it: it is introduced first and comes back soon. */
  fresh: boolean;
  /** What it is for in an evening; of basics every class has some. */
  kind: BlockKind;
  /** How it is worked at in an evening, as a block is; the same words are put in the plan of the class. */
  pairs: BlockPairs | null;
  how: string;
  things: string;
  caution: string;
  heaviness: Heaviness;
  /** Which of the groups that work apart does it, by its place; null: all together. */
  group: number | null;
  /** What has to be there before, and how many minutes of it. */
  opens: readonly { on: string; minutes: number }[];
}

/** A row of which nothing is said yet. */
export const EMPTY_ROW: Omit<CycleRow, 'id'> = {
  name: 'New row',
  items: [],
  minutes: 60,
  least: 5,
  most: 15,
  gap: 4,
  from: null,
  notOn: [],
  fresh: false,
  kind: 'other',
  pairs: null,
  how: '',
  things: '',
  caution: '',
  heaviness: 'middling',
  group: null,
  opens: [],
};

/** Minutes of a row that a class had. */
export interface CycleHad {
  row: string;
  class: string;
  minutes: number;
}

/** Minutes of a row in a class, as they are planned. */
export interface CycleCell extends CycleHad {
  /** The plan leaves it as it is. */
  pinned: boolean;
}

/** What holds for every class of a cycle: the school's own numbers. */
export interface CycleRules {
  /** Minutes of opening and close in a class, which are nobody else's. */
  frame: number;
  /** So many new things are introduced in one class at most. */
  newThings: number;
  /** A new thing comes back within so many classes the first time, then the second, and so on: gaps that grow. */
  growing: readonly number[];
  /** Everything comes once more within so many classes before the day. */
  review: number;
  /** The most work of a class: light minutes once, middling twice, heavy three times, for each minute that is worked. */
  load: number;
}

/** As delivered: common practice, no source; each school sets its own. */
export const USUAL_RULES: CycleRules = { frame: 20, newThings: 2, growing: [1, 2, 3], review: 4, load: 2.2 };

/** What a plan came to: minutes short, times apart too long, and what no plan can go below. */
export interface CycleResult {
  short: number;
  /** Null: not known. */
  shortAtLeast: number | null;
  apart: number;
  apartAtLeast: number | null;
  /** It was ended before it was done. */
  stopped: boolean;
}

/** Weeks of classes towards a day. */
export interface Cycle {
  name: string;
  end: CycleEnd;
  /** The first day, and the day it is all for. */
  from: PlainDate;
  day: PlainDate;
  /** The belts it is asked by. */
  ranks: readonly string[];
  /** Groups that work apart for part of a class, each with its own teacher; one: everything is taught to all. */
  groups: readonly string[];
  weekly: readonly WeeklyClass[];
  classes: readonly CycleClass[];
  rows: readonly CycleRow[];
  cells: readonly CycleCell[];
  /** What classes that are over had, where somebody put it right by hand. */
  righted: readonly CycleHad[];
  rules: CycleRules;
  /** The plan that everybody knew before it was planned again, and why it was; null: this is the first. */
  before: { why: string; cells: readonly CycleCell[] } | null;
  result: CycleResult | null;
}

/** Minutes in whole units. */
export const unitsOf = (minutes: number): number => Math.floor(minutes / UNIT + 1e-9);

/** Minutes a class gives to rows. */
export const roomOf = (c: CycleClass, rules: CycleRules): number =>
  c.off === null ? Math.max(0, unitsOf(c.minutes - (c.frame ?? rules.frame) - (c.guest?.minutes ?? 0))) * UNIT : 0;

/** Order of classes: by day, then by hour. */
export const inTime = (a: Pick<CycleClass, 'day' | 'starts'>, b: Pick<CycleClass, 'day' | 'starts'>): number =>
  a.day < b.day ? -1 : a.day > b.day ? 1 : a.starts - b.starts;
