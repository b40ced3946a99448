import type { Sequence } from '../sequence/move';
import { MOST_MOVES } from '../sequence/notation/problem';
import { actionSaid } from '../sequence/spoken';
import type { Part } from '../syllabus/item';
import type { Point } from '../technique/point';
import type { Entry } from './looks';

/** Points that a sequence has of its own, beside its counts. */
export const OWN_POINTS = ['rhythm', 'line', 'shouts'] as const;

export type OwnPoint = (typeof OWN_POINTS)[number];

/** How a count went, one letter each: held, slipped, not seen. */
export const COUNT_MARKS = ['H', 'S', 'U'] as const;

export type CountMark = (typeof COUNT_MARKS)[number];

/** What slipped at a count, or how it felt there: a point of its technique, or said in words. */
export interface CountSlip {
  count: number;
  pointId: string | null;
  what: string;
  /** Of what is felt: who felt it; null: whoever watched saw it slip. */
  toldBy: string | null;
  /** It was told that it was so; what was only watched is named where it slipped. */
  held: boolean;
}

/** One showing of a sequence or of a part: a mark for each count from `from` on, and for the points of its own. */
export interface Showing {
  sequenceId: string;
  from: number;
  counts: readonly CountMark[];
  own: Readonly<Record<OwnPoint, CountMark>>;
}

export const countId = (sequenceId: string, count: number): string => `${sequenceId}#${count}`;

export const ownId = (sequenceId: string, own: OwnPoint): string => `${sequenceId}#${own}`;

const point = (id: string, name: string, how: string, bodyPart: Point['bodyPart']): Point => ({
  id,
  name,
  how,
  why: '',
  kind: 'seen',
  bodyPart,
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
});

/**
 * The points by which a sequence is judged: each count of the part asked, then rhythm and line, and the shouts where it
 * has any. A showing is a repetition of each. What slipped inside a count is a point of the technique done there.
 */
export function sequencePoints(sequenceId: string, seq: Sequence, part: Pick<Part, 'from' | 'to'> | null): Point[] {
  const from = part?.from ?? 1;
  const to = part?.to ?? seq.moves.length;
  const out: Point[] = [];
  for (let n = from; n <= Math.min(to, seq.moves.length); n += 1) {
    const { step, partner } = seq.moves[n - 1]!;
    const said = (step.actions.length > 0 ? step : (partner ?? step)).actions.map(actionSaid).join(' and ');
    out.push(point(countId(sequenceId, n), `count ${n}${said === '' ? '' : `, ${said}`}`, said, 'timing'));
  }
  if (out.length === 0) return out;
  out.push(point(ownId(sequenceId, 'rhythm'), 'rhythm', 'each count given its time', 'timing'));
  out.push(point(ownId(sequenceId, 'line'), 'line', 'ends where it should on the floor', 'feet'));
  if (seq.moves.slice(from - 1, to).some((m) => m.step.shout || m.partner?.shout))
    out.push(point(ownId(sequenceId, 'shouts'), 'shouts', 'where they belong, and meant', 'breath'));
  return out;
}

/** A showing as one line of text: a letter a count, a bar, a letter for each point of its own. */
export const writeShowing = (s: Pick<Showing, 'counts' | 'own'>): string =>
  `${s.counts.join('')}|${OWN_POINTS.map((o) => s.own[o]).join('')}`;

const SHOWN = /^([HSU]+)\|([HSU]{3})$/;

/** Reads the line; null where it is none. */
export function readShowing(text: string): Pick<Showing, 'counts' | 'own'> | null {
  const read = SHOWN.exec(text);
  if (!read || read[1]!.length > MOST_MOVES) return null;
  const own = read[2]!;
  return {
    counts: [...read[1]!] as CountMark[],
    own: { rhythm: own[0] as CountMark, line: own[1] as CountMark, shouts: own[2] as CountMark },
  };
}

/** What a showing says, as repetitions of its points: one each, where it was seen. */
export function showingEntries(
  s: Showing,
  when: Pick<Entry, 'day' | 'at' | 'conditionId' | 'purpose'>,
): { pointId: string; entry: Entry }[] {
  const out: { pointId: string; entry: Entry }[] = [];
  const add = (pointId: string, mark: CountMark) => {
    if (mark !== 'U') out.push({ pointId, entry: { ...when, held: mark === 'H' ? 1 : 0, of: 1 } });
  };
  s.counts.forEach((m, i) => add(countId(s.sequenceId, s.from + i), m));
  for (const o of OWN_POINTS) add(ownId(s.sequenceId, o), s.own[o]);
  return out;
}
