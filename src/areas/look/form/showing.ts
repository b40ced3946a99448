import type { MarkInput } from '../../../contracts/look';
import { OWN_POINTS, writeShowing, type CountMark, type CountSlip, type Lane, type OwnPoint } from '../../../core';
import type { KitSequence } from '../../../kit/mat/line';

/** One showing as it is being marked. */
export interface ShowingMarks {
  from: number;
  counts: CountMark[];
  own: Record<OwnPoint, CountMark>;
  slips: CountSlip[];
}

export const unseen = (from: number, to: number): ShowingMarks => ({
  from,
  counts: Array.from({ length: to - from + 1 }, (): CountMark => 'U'),
  own: { rhythm: 'U', line: 'U', shouts: 'U' },
  slips: [],
});

export const markCount = (s: ShowingMarks, at: number, mark: CountMark): ShowingMarks => ({
  ...s,
  counts: s.counts.map((m, i) => (i === at ? mark : m)),
  // What slipped there is said only of a slip; what somebody felt is theirs to tell, whatever was seen.
  slips: mark === 'S' ? s.slips : s.slips.filter((x) => x.count !== s.from + at || (x.held && mark === 'H')),
});

/** A mark in words. */
export const cutSaid = (m: CountMark) => (m === 'H' ? 'held' : m === 'S' ? 'slipped' : 'not seen');

/** A tap on the column: it slipped here; another tap takes it back. */
export const tapCount = (s: ShowingMarks, at: number): ShowingMarks =>
  markCount(s, at, s.counts[at] === 'S' ? 'U' : 'S');

/** Everything that was not marked held, and so did what the sequence has of its own. */
export const restHeld = (s: ShowingMarks, shouts: boolean): ShowingMarks => ({
  ...s,
  counts: s.counts.map((m) => (m === 'U' ? 'H' : m)),
  own: Object.fromEntries(
    OWN_POINTS.map((o) => [o, s.own[o] === 'U' && (o !== 'shouts' || shouts) ? 'H' : s.own[o]]),
  ) as ShowingMarks['own'],
});

const TURN: Record<CountMark, CountMark> = { U: 'S', S: 'H', H: 'U' };
/** What the sequence has of its own, one cut further: slipped, held, not seen. */
export const turnOwn = (s: ShowingMarks, own: OwnPoint): ShowingMarks => ({
  ...s,
  own: { ...s.own, [own]: TURN[s.own[own]] },
});

/** What can be said of a count: a point of the technique there, or words. */
export interface Named {
  pointId: string | null;
  what: string;
}

/** What was said of something at a count, if anything. */
export const saidOf = (s: ShowingMarks, count: number, named: Named): CountSlip | undefined =>
  s.slips.find((x) => x.count === count && x.pointId === named.pointId && x.what === named.what);

/** Names what slipped at a count, or takes the name back; naming a slip marks it. */
export function nameSlip(s: ShowingMarks, at: number, slip: Named): ShowingMarks {
  const count = s.from + at;
  const said = saidOf(s, count, slip);
  if (said) return { ...s, slips: s.slips.filter((x) => x !== said) };
  return { ...markCount(s, at, 'S'), slips: [...s.slips, { count, ...slip, toldBy: null, held: false }] };
}

/** Whoever felt it tells whether it was so at a count; the last word counts, and one that it was not marks the slip. */
export function tellFelt(s: ShowingMarks, at: number, felt: Named, held: boolean, toldBy: string): ShowingMarks {
  const count = s.from + at;
  const said = saidOf(s, count, felt);
  const told = { count, ...felt, toldBy, held };
  const marked = held ? s : markCount(s, at, 'S');
  return { ...marked, slips: [...marked.slips.filter((x) => x !== said), told] };
}

export const isShown = (s: ShowingMarks): boolean =>
  s.counts.some((m) => m !== 'U') || OWN_POINTS.some((o) => s.own[o] !== 'U') || s.slips.length > 0;

/** The points of the techniques at a count, critical ones first. */
export const pointsAt = (sequence: KitSequence, count: number): KitSequence['points'] =>
  (sequence.at[count - 1] ?? []).map((i) => sequence.points[i]!);

/**
 * Marks of the points that were named: each count at which such a point occurs and that was seen is a repetition of it.
 * Points that nobody named are not marked: a showing is watched by its counts.
 */
export function namedPoints(s: ShowingMarks, sequence: KitSequence): MarkInput[] {
  const named = new Map<string, Set<number>>();
  for (const x of s.slips)
    if (x.pointId !== null) named.set(x.pointId, (named.get(x.pointId) ?? new Set()).add(x.count));
  return [...named].flatMap(([pointId, slipped]): MarkInput[] => {
    const felt = s.slips.filter((x) => x.pointId === pointId && x.toldBy !== null);
    // Of what is felt only what was told counts; the last who told it stands for all.
    if (felt.length > 0)
      return [
        {
          pointId,
          kind: 'felt' as const,
          held: felt.filter((x) => x.held).length,
          of: felt.length,
          toldBy: felt.at(-1)!.toldBy,
        },
      ];
    let of = 0;
    let kind: string = 'seen';
    s.counts.forEach((m, i) => {
      const at = pointsAt(sequence, s.from + i).find((p) => p.id === pointId);
      if (!at || m === 'U') return;
      kind = at.kind;
      of += 1;
    });
    if (of === 0 || kind === 'felt') return [];
    // Nobody measures within a form: what is named there was seen, by eye.
    return [
      {
        pointId,
        kind: kind === 'counted' ? ('counted' as const) : ('seen' as const),
        held: of - Math.min(of, slipped.size),
        of,
      },
    ];
  });
}

/** The showing as a look takes it. */
export const showingOf = (s: ShowingMarks, sequence: KitSequence, lane: Lane | null) => ({
  id: sequence.id,
  from: s.from,
  to: s.from + s.counts.length - 1,
  ofCounts: sequence.body.moves.length,
  counts: writeShowing(s),
  slips: s.slips,
  lane,
});
