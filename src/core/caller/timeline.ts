import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { EMPTY_STEP, type Move, type Sequence, type Step } from '../sequence/move';
import { pyramid } from '../sequence/operations/pyramid';
import { swapRoles } from '../sequence/operations/swapRoles';
import { mirror } from '../sequence/operations/mirror';
import { quarterShuffle } from '../sequence/operations/quarters';
import { stepsOfLane, type Lane } from '../sequence/operations/lane';
import { rolesOf, workingLane } from '../sequence/roles';
import { fail, ok, type Result } from '../units/result';
import { COUNT_LANGUAGES, type CountLanguageId, type Spoken } from './counts';
import { calledByName, differencesIn, type Differences } from './named';

export const CALL_MODES = ['through', 'tens', 'sets', 'pyramid', 'quarters', 'clock'] as const;
export type CallMode = (typeof CALL_MODES)[number];

export interface Pace {
  mode: CallMode;
  /** Seconds from count to count, 0.4 to 10; a slow count takes twice, a quick one half of it. */
  secondsPerCount: number;
  /** Seconds of rest between rounds. */
  rest: number;
  rounds: number;
  /** Repetitions of each count where they are called by tens. */
  times: number;
  /** Seconds of a round played by the clock, 30 to 60 as a rule. */
  clock: number;
  sides: 'written' | 'mirrored' | 'both';
  /** Sides are switched by a call that nobody can foresee. */
  switches: boolean;
  /** Partners change roles from round to round. */
  swapRoles: boolean;
  words: CountLanguageId | 'names';
  /** The hall's language, for “ready” and “stop” where counts are called by name. */
  hall: CountLanguageId;
  /** Whose work is called where two work; null: the one whose partner only holds, otherwise the first. */
  lane: Lane | null;
  /** First count to be called, 1-based. */
  from: number;
  seed: number;
  /** Seconds before the first count. */
  leadIn: number;
}

export const PLAIN_PACE: Pace = {
  mode: 'through',
  secondsPerCount: 1.8,
  rest: 5,
  rounds: 1,
  times: 10,
  clock: 45,
  sides: 'written',
  switches: false,
  swapRoles: false,
  words: 'en',
  hall: 'en',
  lane: null,
  from: 1,
  seed: 1,
  leadIn: 4,
};

export interface Call {
  /** Seconds from the start, and when the next call comes. */
  at: number;
  until: number;
  kind: 'ready' | 'count' | 'switch' | 'rest' | 'roles' | 'end';
  round: number;
  /** The number that is called; 0 where none is. */
  number: number;
  /** What is said, in which language (BCP 47), and how it is written large. */
  say: string;
  written: string;
  lang: string;
  /** The same in Latin letters. */
  latin: string;
  /** One shouts on it. */
  shout: boolean;
  /** The count of the sequence as written (0-based), and the move as it is done now. */
  index: number | null;
  move: Move | null;
  /** All the counts that go as one, where a whole set is one number; empty otherwise. */
  set: readonly Move[];
  /** Whose work is called. */
  lane: Lane;
  mirrored: boolean;
  rolesSwapped: boolean;
}

/** Longest timeline: what a class could not sit through anyway. */
const MOST_CALLS = 5000;

/** What can be done on one number. */
const MOST_IN_SET = 6;

interface Slot {
  index: number;
  move: Move;
  set?: readonly Move[];
  /** The last of a set of ten, on which one shouts. */
  last?: boolean;
  number: number;
  mirrored: boolean;
}

/**
 * When what is called. The timeline is complete before the first count, so that a device needs nothing else to call it;
 * the same seed calls the same. Refuses what cannot be called, with the reason.
 */
export function callTimeline(seq: Sequence, pace: Partial<Pace> = {}): Result<Call[]> {
  const p = { ...PLAIN_PACE, ...pace };
  const n = seq.moves.length;
  if (n === 0) return fail('There is nothing to call yet.');
  if (p.from < 1 || p.from > n) return fail(`There is no count ${p.from}.`);
  if (p.swapRoles && !seq.moves.some((m) => m.partner))
    return fail('Roles swap between two partners; there is only one here.');
  const rng = xoroshiro128plus(p.seed);
  const pick = (lo: number, hi: number) => uniformInt(rng, lo, hi);
  const calls: Call[] = [];
  let now = 0;
  const push = (c: Omit<Call, 'at' | 'until'>, seconds: number) => {
    calls.push({ ...c, at: now, until: now + seconds });
    now += seconds;
  };
  const lane = p.lane ?? workingLane(seq);
  const roles = rolesOf(seq);
  const hall = COUNT_LANGUAGES[p.words === 'names' ? p.hall : p.words];
  const quiet = (kind: Spoken, round: number, mirrored: boolean, rolesSwapped: boolean) => {
    const word = hall.calls[kind];
    // Who changes is said by name where names are called.
    const who =
      kind === 'roles' && p.words === 'names' && roles && roles.A !== 'A' ? `: ${roles.A} and ${roles.B}` : '';
    return {
      kind,
      round,
      number: 0,
      say: word.written + who,
      written: word.written + who,
      lang: hall.tag,
      latin: word.said,
      shout: false,
      index: null,
      move: null,
      set: [],
      lane,
      mirrored,
      rolesSwapped,
    };
  };
  const differences = differencesIn(stepsOfLane(seq.moves, lane), p.sides === 'both' || p.switches);
  if (p.leadIn > 0) push(quiet('ready', 1, p.sides === 'mirrored', false), p.leadIn);
  const order: boolean[] = p.sides === 'both' ? [false, true] : [p.sides === 'mirrored'];
  const rounds = p.rounds * order.length;
  for (let round = 1; round <= rounds; round++) {
    const base = order[(round - 1) % order.length]!;
    const rolesSwapped = p.swapRoles && round % 2 === 0;
    if (round > 1) {
      if (p.rest > 0) push(quiet('rest', round, base, rolesSwapped), p.rest);
      if (p.swapRoles) push(quiet('roles', round, base, rolesSwapped), 2);
    }
    const own = rolesSwapped ? swapRoles(seq) : seq;
    const made = slots(own, p, base, round);
    if (!made.ok) return made;
    let switched = false;
    let untilSwitch = pick(4, 9);
    const start = now;
    let k = 0;
    for (;;) {
      const slot = made.value[p.mode === 'clock' ? k % made.value.length : k];
      if (!slot) break;
      if (p.mode === 'clock' && now - start >= p.clock - 1e-9) break;
      if (calls.length >= MOST_CALLS)
        return fail(`This would be more than ${MOST_CALLS} calls: fewer rounds, or fewer times.`);
      if (p.switches && untilSwitch === 0) {
        switched = !switched;
        untilSwitch = pick(4, 9);
        push(quiet('switch', round, slot.mirrored !== switched, rolesSwapped), p.secondsPerCount);
      }
      untilSwitch--;
      const mirrored = slot.mirrored !== switched;
      const turned = (moves: readonly Move[]) =>
        mirrored === slot.mirrored ? moves : mirror({ ...seq, moves: [...moves] }).moves;
      const move = turned([slot.move])[0]!;
      // With the roles changed over the same work is called, and the other lane does it.
      const does = rolesSwapped ? (lane === 'A' ? 'B' : 'A') : lane;
      const done = (does === 'A' ? move.step : move.partner) ?? EMPTY_STEP;
      push(
        {
          kind: 'count',
          round,
          number: slot.number,
          ...said(done, slot.number, p.words, differences),
          shout: slot.set ? slot.last === true : done.shout,
          index: slot.index,
          move,
          set: slot.set ? turned(slot.set) : [],
          lane: does,
          mirrored,
          rolesSwapped,
        },
        p.secondsPerCount * (slot.set ?? [slot.move]).reduce((sum, m) => sum + beats(m), 0),
      );
      // A switching move of the sequence itself: from here on the other side.
      if (slot.move.swaps) switched = !switched;
      k++;
    }
  }
  push(quiet('end', rounds, false, false), 0);
  return ok(calls);
}

function slots(seq: Sequence, p: Pace, mirrored: boolean, round: number): Result<Slot[]> {
  const side = mirrored ? mirror(seq) : seq;
  const from = p.from - 1;
  const plain = side.moves.map((move, index) => ({ index, move, number: index + 1, mirrored })).slice(from);
  switch (p.mode) {
    case 'through':
    case 'clock':
      return ok(plain);
    case 'tens':
      return ok(plain.flatMap((s) => Array.from({ length: p.times }, (_, i) => ({ ...s, number: i + 1 }))));
    case 'sets': {
      const set = plain.map((s) => s.move);
      if (set.length > MOST_IN_SET)
        return fail(`At most ${MOST_IN_SET} counts go as one; take a section, or go straight through.`);
      return ok(
        Array.from({ length: p.times }, (_, i) => ({
          ...plain[0]!,
          set,
          number: i + 1,
          last: (i + 1) % 10 === 0 || i + 1 === p.times,
        })),
      );
    }
    case 'pyramid': {
      const open = { ...side, moves: side.moves.slice(from) };
      if (open.moves.length > 40) return fail('A pyramid of more than 40 counts is not called; take a section.');
      let at = 0;
      const heights = pyramid(open);
      return ok(
        heights.moves.map((move) => {
          if (move.begins.some((b) => b.sectioning === 1)) at = 0;
          const index = from + at;
          at++;
          return { index, move, number: at, mirrored };
        }),
      );
    }
    case 'quarters': {
      const shuffled = quarterShuffle(side, p.seed + round, Math.max(1, Math.round(p.times / 4)));
      if (!shuffled.ok) return shuffled;
      return ok(
        shuffled.value.moves.map((move, i) => ({
          index: side.moves.findIndex((m) => m.step === move.step),
          move,
          number: i + 1,
          mirrored,
        })),
      );
    }
  }
}

/** A slow count takes two, a quick one half. */
const beats = ({ step }: Move): number => (step.tempo === 'slow' ? 2 : step.tempo === 'quick' ? 0.5 : 1);

function said(
  step: Step,
  number: number,
  words: Pace['words'],
  differences: Differences,
): Pick<Call, 'say' | 'written' | 'lang' | 'latin'> {
  if (words === 'names') {
    const text = calledByName(step, differences);
    return { say: text, written: text, lang: 'en', latin: text };
  }
  const language = COUNT_LANGUAGES[words];
  const w = language.word(number);
  return { say: w.written, written: w.written, lang: language.tag, latin: w.said };
}

/**
 * How long a sequence takes when it is called through once, in counts: a slow one is two, a quick one a half. What cannot
 * be called takes its number of moves.
 */
export function beatsOf(seq: Sequence): number {
  const called = callTimeline(seq, { mode: 'through', secondsPerCount: 1, leadIn: 0, rounds: 1 });
  return called.ok
    ? called.value.filter((c) => c.kind === 'count').reduce((n, c) => n + c.until - c.at, 0)
    : seq.moves.length;
}
