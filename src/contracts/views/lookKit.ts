// What the mat takes along.
import type {
  CycleOfDay,
  Group,
  Limbs,
  Limits,
  OnTheShelf,
  PointKind,
  Purpose,
  Range,
  SchoolStance,
  Sequence,
  SequenceKind,
  Side,
  TechniqueKind,
  Thing,
  ThingServes,
  VerdictWord,
} from '../../core';
import type { ClassPlanShown, GuestShown } from './classPlan';
import type { ConditionShown } from './condition';
import type { FocusShown, SlipShown } from './focus';
import type { RankShown } from './rank';
import type { PointShown } from './technique';

/** All that the mat needs without a network: people, items, conditions, what is asked of whom, what is worth a look. */
export interface LookKitView {
  today: string;
  timeZone: string;
  /** A class takes so long where nobody says otherwise. */
  usualMinutes: number;
  me: { personId: string; name: string };
  ranks: RankShown[];
  conditions: ConditionShown[];
  /** Of each version that somebody follows: for each condition, itself and what stands above it. */
  beyond: Record<string, Record<string, string[]>>;
  students: {
    id: string;
    name: string;
    rankId: string;
    age: number | null;
    lastHere: string | null;
    waived: string[];
    /** By point: another range, or another share of what is done, than the item asks. */
    adapted: Record<string, { range: Range | null; share: number | null }>;
    focus: FocusShown | null;
    /** The first few things that slip, to choose another correction from. */
    slips: SlipShown[];
    praise: string;
    /** Open injuries and pauses. */
    resting: { what: string; until: string | null; pause: boolean; impact?: Limbs }[];
    /** What they may strike tonight, where they are on a ladder: “Right 50; left none: …”, and whether any limb may. */
    strikes?: { says: string; any: boolean } | null;
    /** Who may strike what is hard: the next number of each hand, and on what. */
    hands?: { side: Side; number: number; surface: string }[];
    /** Soft targets only, and why; empty: they may strike what is hard. */
    soft?: string;
    /** What of all that is taken along rests for them, by item key; what rests in one condition only by `key@condition`. */
    rests: Record<string, RestShown>;
    /** The rung of contact agreed to, 1 the lowest; 0 refused, null nothing on record that counts. */
    rung: number | null;
    /** Whether pictures of them may be kept on the device; it may still have what it was sent before anybody was asked. */
    pictures?: boolean;
    /** In centimetres and kilograms; null: not said. A device may still have what it was sent before they were. */
    stature?: number | null;
    mass?: number | null;
    /** Who share one come from one house. */
    household?: string | null;
    /** The belt whose gate of age a birthday of the last days has opened. */
    cameOfAge?: string | null;
    /** Not of age, or nobody knows. */
    minor: boolean;
    /** The version they are judged by; empty: none yet. */
    follows: string;
    worths: WorthShown[];
  }[];
  /** Classes of today that some device has opened. */
  classes: { id: string; minutes: number; opened: string | null; by: string; present: string[] }[];
  /** Plans of today and of what is to come, by day; and the last few that were. */
  plans?: ClassPlanShown[];
  plansBefore?: ClassPlanShown[];
  /** What the weeks have for today and the days after it, by day. */
  weeks?: Record<string, CycleOfDay>;
  /** Who is here today and not on the roll. */
  guests?: GuestShown[];
  halls?: { id: string; name: string }[];
  /** What of the store is sound and serves some work; a device may still have what it was sent before there was one. */
  store?: (Pick<Thing, 'serves' | 'fromAge' | 'fromRankId'> &
    Partial<Pick<OnTheShelf, 'id' | 'people' | 'all' | 'sound'> & { name: string }>)[];
  /** What an item takes besides its condition’s gear, by item key: a weapon, mats for a fall. */
  takes?: Record<string, ThingServes[]>;
  /** From which age the school allows what can hurt. */
  ages?: Limits['ages'];
  /** Who never works together, who would like to, and who did in the last weeks. */
  pairing?: {
    apart: [string, string][];
    wishes: [string, string][];
    recent: { a: string; b: string; times: number; last: string }[];
    odd: Record<string, number>;
    first: Record<string, number>;
  };
  /** How people stood in the last classes, from the door, the newest first. */
  stood: string[][];
  techniques: { id: string; name: string; kind: TechniqueKind; sided: boolean; points: Omit<PointShown, 'why'>[] }[];
  /** Sequences that are asked for or were looked at, whole, for the stave. */
  sequences: {
    id: string;
    title: string;
    kind: SequenceKind;
    body: Sequence;
    /** The school's own stances in it; a device may still have what it was sent before there were any. */
    stances?: SchoolStance[] | undefined;
    /** Points of its techniques by which a slip can be named, those that are critical first. */
    points: { id: string; name: string; cue: string; kind: PointKind; critical: boolean }[];
    /** Which of them belong to each count, by their places in `points`. */
    at: number[][];
  }[];
  asked: {
    rankId: string;
    itemKey: string;
    techniqueId: string | null;
    sequenceId: string | null;
    part: { from: number; to: number; section: string | null } | null;
    conditionId: string;
    purpose: Purpose | null;
    repetitions: number;
    name: string;
    group: Group;
  }[];
  /** What is asked by any version that somebody follows; worths name it by its place. */
  requirements: { id: string; itemKey: string; conditionId: string; seconds: number }[];
  /** By item key: the points by which it is judged; worths name them by their place. */
  points: Record<string, { id: string; name: string; kind: PointKind; hurts: boolean }[]>;
  gradingDay: string | null;
}

/** Why an item rests and until when; the points it touches by their ids, or null where all of it rests. */
export interface RestShown {
  what: string;
  until: string | null;
  points: string[] | null;
}

/** What looks at one requirement of a student are worth. */
export interface WorthShown {
  /** Place in `requirements`. */
  r: number;
  word: VerdictWord;
  reason: string;
  freshUntil: string | null;
  settles: number;
  hurts: boolean;
  /** Four numbers a point: its place, the side's in `SIDES`, its gain and its chance to stand, both in thousandths. */
  points: number[];
}

export type KitStudent = LookKitView['students'][number];

/** Of what the mat takes along, what is other than in the version a device has; everything where it has none. */
export interface KitAnswer {
  version: string;
  /** The version to which it is to be added; null: it is whole. */
  since: string | null;
  parts: Partial<Omit<LookKitView, 'students'>>;
  students: KitStudent[];
  /** Everybody on the roll, in order: who is not among `students` stays as they were. */
  order: string[];
}
