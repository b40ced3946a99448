import { fail, ok, type Result } from '../../units/result';
import { POWERS, type Move, type Power, type Sequence } from '../move';
import { oneLane, type Lane } from './lane';

/** One after the other, under the first one's heading. Associative; an empty sequence of moves changes nothing. */
export function chain(a: Sequence, b: Sequence): Sequence {
  const [first, ...rest] = b.moves;
  if (!first) return { ...a, closing: [...a.closing, ...b.closing] };
  return {
    about: a.about,
    moves: [...a.moves, { ...first, notes: [...a.closing, ...first.notes] }, ...rest],
    closing: b.closing,
  };
}

/** The same with more moves at its end. */
export const extend = (seq: Sequence, moves: readonly Move[]): Sequence => ({
  ...seq,
  moves: [...seq.moves, ...moves],
});

/** n times over, n from 1. */
export function repeat(seq: Sequence, times: number): Sequence {
  let out = seq;
  for (let i = 1; i < times; i++) out = chain(out, seq);
  return out;
}

const withSection = (moves: readonly Move[], name: string): Move[] =>
  moves.map((m, i) => ({
    ...m,
    begins: [...(i === 0 ? [{ sectioning: 1, name }] : []), ...m.begins.filter((b) => b.sectioning !== 1)],
  }));

/** 1; 1-2; 1-2-3; … and back down to 1: n moves give n² counts, a section a step of the pyramid. */
export function pyramid(seq: Sequence): Sequence {
  const n = seq.moves.length;
  const heights = [
    ...Array.from({ length: n }, (_, i) => i + 1),
    ...Array.from({ length: n - 1 }, (_, i) => n - 1 - i),
  ];
  return {
    ...seq,
    moves: n === 0 ? [] : heights.flatMap((h) => withSection(seq.moves.slice(0, h), h === 1 ? '1' : `1 to ${h}`)),
  };
}

/** The same sequence once for each way of making power, a round each. */
export function powerRound(seq: Sequence, ways: readonly Power[] = POWERS, lane: Lane = 'A'): Sequence {
  const word: Record<Power, string> = {
    swing: 'Swing of the turn',
    vibration: 'Hip vibration',
    wind: 'Wind up and release',
    slide: 'Sliding the weight in',
    drop: 'Dropping the weight',
  };
  const round = (power: Power) =>
    withSection(oneLane(seq, lane, (s) => (s.actions.length > 0 ? { ...s, powers: [power] } : s)).moves, word[power]);
  return { ...seq, moves: ways.flatMap(round) };
}

/** Another beginning on the same tail: the head, then the sequence from the given count on (1-based). */
export function newHead(seq: Sequence, head: Sequence, fromCount: number): Result<Sequence> {
  if (fromCount < 1 || fromCount > seq.moves.length)
    return fail(`There is no count ${fromCount}: the sequence has ${seq.moves.length}.`);
  const tail: Sequence = { ...seq, moves: seq.moves.slice(fromCount - 1) };
  return ok({ ...chain({ ...head, about: seq.about }, tail), about: seq.about });
}

/** The moves of one section, as a sequence of its own. */
export function section(seq: Sequence, name: string, sectioning = 1): Result<Sequence> {
  const start = seq.moves.findIndex((m) => m.begins.some((b) => b.sectioning === sectioning && b.name === name));
  if (start < 0) return fail(`There is no section called ${name}.`);
  const next = seq.moves.findIndex((m, i) => i > start && m.begins.some((b) => b.sectioning === sectioning));
  return ok({ ...seq, moves: seq.moves.slice(start, next < 0 ? undefined : next), closing: [] });
}

/** Counts `from` to `to`, both included, 1-based. */
export const counts = (seq: Sequence, from: number, to: number): Sequence => ({
  ...seq,
  moves: seq.moves.slice(Math.max(0, from - 1), to),
  closing: [],
});
