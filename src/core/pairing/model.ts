import type { PlainDate } from '../units/plainDate';

/** Somebody on the floor, as far as it matters for whom they work with. */
export interface PairingPerson {
  id: string;
  /** Place of the belt in the order, the lowest 0. */
  rank: number;
  /** In whole years; null: not known, and then treated as a minor. */
  age: number | null;
  /** In centimetres and kilograms; null: not said. */
  stature: number | null;
  mass: number | null;
  /** The rung they agreed to, a minor's guardian as well: from 1; 0 refused; null: nothing on record that counts. */
  rung: number | null;
  minor: boolean;
  /** This work, or a part of it, rests for them. */
  rests: boolean;
  /** They have shown the answers that a free defender needs; only asked where the work says so. */
  answers: boolean;
  /** Who share one come from one house; null: nobody of theirs is here. */
  household: string | null;
}

/** What differences weigh in: nothing lands, it lands on the partner, or one holds what the other strikes. */
export const WORK_KINDS = ['drill', 'contact', 'holding'] as const;
export type WorkKind = (typeof WORK_KINDS)[number];

/** What the pairs are for. */
export interface PairWork {
  kind: WorkKind;
  /** The farthest rung of contact tonight, from 1; 0: nothing lands on the partner. */
  rung: number;
  /** The attacker is set and the defender free: only who has the answers defends. */
  answers: boolean;
}

/** How often two worked together lately, and when last. */
export interface MetBefore {
  times: number;
  last: PlainDate;
}

/** What is known besides. Pairs are named by `pairKey`. */
export interface PairingAround {
  today: PlainDate;
  /** Tied by a teacher: they work together wherever consent, rest and what keeps them apart allow it. */
  pins: readonly (readonly [string, string])[];
  /** Never together, as somebody said, or as one of the two wishes; no reason is asked. */
  apart: ReadonlySet<string>;
  /** Would like to work together. */
  wishes: ReadonlySet<string>;
  /** Together in the last weeks. */
  recent: ReadonlyMap<string, MetBefore>;
  /** Rounds together tonight. */
  met: ReadonlyMap<string, number>;
  /** How often somebody was the odd one lately. */
  odd: ReadonlyMap<string, number>;
  /** How often somebody was the first to attack or to strike lately. */
  first: ReadonlyMap<string, number>;
}

export const pairKey = (a: string, b: string): string => (a < b ? `${a} ${b}` : `${b} ${a}`);

export const NOTHING_AROUND: Omit<PairingAround, 'today'> = {
  pins: [],
  apart: new Set(),
  wishes: new Set(),
  recent: new Map(),
  met: new Map(),
  odd: new Map(),
  first: new Map(),
};

/** What keeps two apart: what somebody said, or a limit of ours that a teacher may set aside by tying them. */
export type PairBar = 'kept apart' | 'years' | 'mass' | 'answers';

/** What speaks for a pair or is worth knowing of it. */
export type PairFact =
  | { is: 'pinned' }
  | { is: 'wish' }
  | { is: 'rank'; steps: number }
  | { is: 'years'; apart: number }
  | { is: 'stature'; cm: number }
  | { is: 'mass'; kg: number }
  | { is: 'mass not said' }
  | { is: 'new' }
  | { is: 'met'; times: number; last: PlainDate }
  | { is: 'met tonight' }
  | { is: 'one house' }
  | { is: 'over a limit'; bar: PairBar };

/** Two who work together, or three, at the lowest of their rungs. */
export interface Pair {
  a: string;
  b: string;
  /** A third who takes turns with them. */
  c: string | null;
  /** 0: nothing lands. */
  rung: number;
  /** Who attacks, strikes or kicks first; roles swap in the middle of a round. */
  first: string;
  /** Only they defend, since the other has not got the answers; null: both do. */
  onlyDefends: string | null;
  why: readonly PairFact[];
}

/** Why somebody has nobody. */
export type Unpaired =
  | { id: string; why: 'rests' | 'refused' | 'no consent' }
  /** One too many: in turn at the pads, at the post or with a teacher. */
  | { id: string; why: 'odd' }
  /** Nobody of those who are here fits; with what stands between. */
  | { id: string; why: 'nobody fits'; between: readonly { id: string; bar: PairBar }[] };

export interface Pairing {
  pairs: readonly Pair[];
  alone: readonly Unpaired[];
}
