// What the screens of the way show.
import type { Difference, Group, Item, ItemFacts, Part, Sequence, Syllabus, SchoolStance, Thing } from '../../core';
import type { ConditionShown } from './condition';
import type { HallShown } from './hall';
import type { RankShown } from './rank';

/** An item that can be asked for, with all that the syllabus has to know of it. */
export type ItemShown = Omit<ItemFacts, 'item'> & { key: string; item: Item };

export interface VersionShown {
  id: string;
  title: string;
  from: string;
  publishedBy: string | null;
  /** How many students follow it. */
  followers: number;
}

/** The way: the draft or the newest published version, whole, and everything it names. */
export interface SyllabusView {
  ranks: (RankShown & { wornBy: number; version: number })[];
  conditions: (ConditionShown & { version: number })[];
  syllabus: Syllabus;
  /** The draft's count of changes; null: what is shown is published, and a change begins a draft. */
  version: number | null;
  /** What the draft is over; null: nothing is published yet. */
  over: { id: string; title: string; from: string; syllabus: Syllabus } | null;
  changedOn: string | null;
  changedBy: string | null;
  versions: VersionShown[];
  /** The items of the syllabus. */
  items: ItemShown[];
  /** What else the library holds. */
  others: { key: string; item: Item; name: string; group: Group; sections: Part[]; counts: number }[];
  halls: HallShown[];
  /** The kinds of things in the store. */
  store: Pick<Thing, 'name' | 'serves'>[];
  today: string;
}

/** Two versions beside each other, in the trade's words, and whom the difference touches. */
export interface SyllabusCompareView {
  was: { title: string; from: string | null };
  now: { title: string; from: string | null };
  differences: Difference[];
  /** Students who follow the first and whose next belt asks something else in the second. */
  touched: { id: string; name: string; rankId: string; differences: string[] }[];
}

/** Who could move to a version, and what would change for each. */
export interface SyllabusFollowView {
  to: VersionShown;
  ranks: RankShown[];
  movers: {
    id: string;
    name: string;
    rankId: string;
    follows: string;
    /** What would be asked otherwise for the next belt. */
    differences: string[];
  }[];
}

/** What one rank asks, for a sheet in a student's hand. */
export interface SyllabusSheetView {
  school: string;
  rank: RankShown;
  version: { title: string; from: string | null };
  groups: {
    group: Group;
    items: {
      id: string;
      name: string;
      how: string;
      standard: string;
      critical: boolean;
      points: { name: string; how: string; critical: boolean }[];
      body: Sequence | null;
      /** The school's own stances in it. */
      stances: SchoolStance[];
    }[];
  }[];
  introduced: string[];
  gates: string[];
}
