import { CONDITION_GEAR } from '../units/condition';
import type { PlainDate } from '../units/plainDate';

/** Where somebody who uses a thing stands, seen from it: towards the front of the hall, its right, its back or its left. */
export const FACES = ['front', 'right', 'back', 'left'] as const;
export type Faces = (typeof FACES)[number];

/** Where one of a kind stands in its hall: metres from the left wall and from the front one. */
export interface Stand {
  x: number;
  y: number;
  faces: Faces;
}

/** The outline under which a thing is drawn. */
export const THING_SHAPES = [
  'staff',
  'short staff',
  'hand pad',
  'kick shield',
  'glove',
  'foot pad',
  'bag',
  'mat',
  'box',
  'post',
  'armed post',
  'wall',
  'other',
] as const;
export type ThingShape = (typeof THING_SHAPES)[number];

/** What a thing serves: what conditions take, and what work takes by its kind; null: nothing that is counted. */
export const THING_SERVES = [...CONDITION_GEAR, 'staff', 'gloves', 'mats'] as const;
export type ThingServes = (typeof THING_SERVES)[number];

/** One of its kind. */
export interface Piece {
  id: string;
  /** What is wrong with it; empty: nothing is known to be. */
  wrong: string;
  /** When it was looked over last, and by when it is to be again; null: nobody said. */
  checked: PlainDate | null;
  checkBy: PlainDate | null;
  /** Who has it, and until when; null: it is in its place. */
  lent: { to: string; until: PlainDate | null } | null;
}

/** A kind of equipment of the hall, with all there are of it. */
export interface Thing {
  name: string;
  /** What it is made of, how long, how it is used. */
  about: string;
  shape: ThingShape;
  /** Where it has its place in the hall, and which hall. */
  place: string;
  hallId: string | null;
  serves: ThingServes | null;
  /** Who may use it: from which age and belt on; null: everybody. */
  fromAge: number | null;
  fromRankId: string | null;
  /** Somebody may use it alone, without a teacher beside. */
  alone: boolean;
  /** So many people use one at the same time: a holder and a kicker share a shield. */
  people: number;
  /** It is looked over every so many days; null: it is not. */
  every: number | null;
  /** How it is looked over: with what, and what counts. */
  how: readonly { by: string; what: string }[];
  pieces: readonly Piece[];
  /** Where they stand in their hall, those that have a fixed place. */
  stands: readonly Stand[];
}

export const PIECE_STATES = ['sound', 'due', 'to mend', 'lent'] as const;
export type PieceState = (typeof PIECE_STATES)[number];

/**
 * How a piece stands on a day. What is wrong goes before everything; what is lent is not there whatever its state; what was
 * to be looked over before that day is not counted until it is (common practice, no source).
 */
export function pieceState(p: Piece, today: PlainDate): PieceState {
  if (p.wrong !== '') return 'to mend';
  if (p.lent !== null) return 'lent';
  return p.checkBy !== null && p.checkBy < today ? 'due' : 'sound';
}

/** How many are sound, due, to mend and lent. */
export function countStates(t: Pick<Thing, 'pieces'>, today: PlainDate): Record<PieceState, number> {
  const n: Record<PieceState, number> = { sound: 0, due: 0, 'to mend': 0, lent: 0 };
  for (const p of t.pieces) n[pieceState(p, today)] += 1;
  return n;
}

/** By when the first of those that are in their place is to be looked over; null: none is. */
export function nextCheck(t: Pick<Thing, 'pieces'>): PlainDate | null {
  const days = t.pieces.flatMap((p) => (p.wrong === '' && p.lent === null && p.checkBy !== null ? [p.checkBy] : []));
  return days.sort()[0] ?? null;
}
