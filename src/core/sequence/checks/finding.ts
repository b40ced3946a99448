import type { Room } from '../../floor/room';
import type { Body, Trace } from '../../floor/trace';
import { listInWords, plural } from '../../words/speak';
import type { Sequence, Step } from '../move';
import { NO_WORDS, type Vocabulary } from '../notation/vocabulary';

export const CHECKS = [
  'closing',
  'sides',
  'heights',
  'families',
  'cut',
  'line turn',
  'feet',
  'first foot',
  'lead',
  'drift',
  'stride',
  'limb twice',
  'stance shift',
  'unknown',
  'retired',
  'condition',
  'rank',
  'answer',
  'leg met by arm',
  'ceiling',
  'head contact',
  'level',
  'breath',
  'loop',
  'post',
  'hall',
] as const;
export type CheckName = (typeof CHECKS)[number];

/** What a check found: which counts (1-based, none for the whole), why, and the words under which it can be waived. */
export interface Finding {
  check: CheckName;
  ok: boolean;
  counts: number[];
  text: string;
  /** Stays the same while the counts it speaks of stay as they are. */
  key: string;
}

export interface CheckContext {
  vocabulary: Vocabulary;
  body: Body;
  /** Place of the rank the sequence is for, lowest 0, and the names of all ranks. */
  rank: number | null;
  ranks: readonly string[];
  /** How far from the mark a form may end, in metres. */
  closingAllowed: number;
  hall: { name: string; room: Room; people: number } | null;
  /** Names of the school's conditions; none: they are not known here. */
  conditions: readonly string[];
  /** Whether a condition goes farther than a ceiling; unknown names are never farther. */
  beyond: (condition: string, ceiling: string) => boolean;
}

export const PLAIN_CONTEXT: CheckContext = {
  vocabulary: NO_WORDS,
  body: { stature: 1.7 },
  rank: null,
  ranks: [],
  closingAllowed: 0.3,
  hall: null,
  conditions: [],
  beyond: () => false,
};

/** A sequence as a check sees it. */
export interface Looked {
  seq: Sequence;
  trace: Trace;
  context: CheckContext;
  /** Says what a check found, at which counts; counts that are fine are told too. */
  found: (check: CheckName, ok: boolean, counts: number[], text: string) => void;
}
export type Check = (looked: Looked) => void;

export const metres = (n: number) => n.toFixed(2);
/** Which way something lies, by the nearest of eight. */
export const compass = (east: number, north: number) => {
  const names = ['north', 'north-east', 'east', 'south-east', 'south', 'south-west', 'west', 'north-west'];
  return names[Math.round(((Math.atan2(east, north) * 180) / Math.PI + 360) / 45) % 8]!;
};
export const countsSaid = (c: readonly number[]) => `${plural(c.length, 'Count')} ${listInWords(c.map(String))}`;
/** What each does in every count, with how a finding names whose it is. */
export function* laneByLane({
  moves,
}: Sequence): Generator<{ n: number; step: Step; whose: string; other: Step | null }> {
  for (const [i, m] of moves.entries()) {
    yield { n: i + 1, step: m.step, whose: '', other: m.partner };
    if (m.partner) yield { n: i + 1, step: m.partner, whose: 'the partner: ', other: m.step };
  }
}
export interface AtCount {
  /** 1-based. */
  n: number;
  step: Step;
  before: Trace['start'];
  at: Trace['start'];
}
/** Every count with the body before and after it. */
export function* countByCount({ seq, trace }: Looked): Generator<AtCount> {
  let before = trace.start;
  for (const [i, at] of trace.at.entries()) {
    yield { n: i + 1, step: seq.moves[i]!.step, before, at };
    before = at;
  }
}
