import { fold } from '../units/fold';
import { ZONES, type Zone } from '../units/zone';
import { capital, inWords, listInWords, plural } from '../words/speak';
import { ACTION_KINDS, type ActionKind, type Sequence, type Step } from './move';

export interface TallyCell {
  kind: ActionKind;
  zone: Zone | null;
  left: number;
  right: number;
  both: number;
  none: number;
}
export interface Tally {
  counts: number;
  shouts: number;
  turns: { left: number; right: number };
  /** By kind and height, in the order of kinds, upper first; only what occurs. */
  cells: TallyCell[];
  /** By technique's name, most frequent first. */
  names: { name: string; kind: ActionKind; left: number; right: number; both: number; none: number }[];
  stances: { stance: string; counts: number }[];
}

/** Counts everything in lane A (or lane B) of a sequence: spoken tallies are often wrong. */
export function tally(seq: Sequence, lane: 'A' | 'B' = 'A'): Tally {
  const steps: Step[] = seq.moves.flatMap((m) => (lane === 'A' ? [m.step] : m.partner ? [m.partner] : []));
  const cells = new Map<string, TallyCell>();
  const names = new Map<string, Tally['names'][number]>();
  const stances = new Map<string, number>();
  const turns = { left: 0, right: 0 };
  let shouts = 0;
  for (const s of steps) {
    if (s.shout) shouts++;
    if (s.turn) turns[s.turn.degrees < 0 ? 'left' : 'right']++;
    if (s.stance) stances.set(s.stance, (stances.get(s.stance) ?? 0) + 1);
    for (const a of s.actions) {
      const key = `${a.kind} ${a.zone ?? ''}`;
      const cell = cells.get(key) ?? { kind: a.kind, zone: a.zone, left: 0, right: 0, both: 0, none: 0 };
      cell[a.side]++;
      cells.set(key, cell);
      const name = fold(a.name);
      const line = names.get(name) ?? { name: a.name, kind: a.kind, left: 0, right: 0, both: 0, none: 0 };
      line[a.side]++;
      names.set(name, line);
    }
  }
  const zonePlace = (z: Zone | null) => (z === null ? ZONES.length : ZONES.indexOf(z));
  const total = (x: { left: number; right: number; both: number; none: number }) => x.left + x.right + x.both + x.none;
  return {
    counts: steps.length,
    shouts,
    turns,
    cells: [...cells.values()].sort(
      (a, b) => ACTION_KINDS.indexOf(a.kind) - ACTION_KINDS.indexOf(b.kind) || zonePlace(a.zone) - zonePlace(b.zone),
    ),
    names: [...names.values()].sort((a, b) => total(b) - total(a) || a.name.localeCompare(b.name)),
    stances: [...stances.entries()]
      .map(([stance, counts]) => ({ stance, counts }))
      .sort((a, b) => b.counts - a.counts || a.stance.localeCompare(b.stance)),
  };
}

const PLURAL: Record<ActionKind, readonly [string, string]> = {
  strike: ['strike', 'strikes'],
  block: ['block', 'blocks'],
  kick: ['kick', 'kicks'],
  'weapon cut': ['weapon cut', 'weapon cuts'],
  grip: ['grip', 'grips'],
  'hand shape': ['hand', 'hands'],
  fall: ['fall', 'falls'],
  evasion: ['evasion', 'evasions'],
};
export const kindInWords = (kind: ActionKind, n: number): string => PLURAL[kind][n === 1 ? 0 : 1];

/** The tally as instructors say it: “Twenty-four counts: twelve strikes, eight blocks and four kicks; one shout.” */
export function tallyWords(t: Tally): string {
  if (t.counts === 0) return 'No counts yet.';
  const byKind = ACTION_KINDS.flatMap((kind) => {
    const mine = t.cells.filter((c) => c.kind === kind);
    const n = mine.reduce((s, c) => s + c.left + c.right + c.both + c.none, 0);
    return n === 0 ? [] : [`${inWords(n, 20)} ${kindInWords(kind, n)}`];
  });
  const head = `${inWords(t.counts, 20)} ${plural(t.counts, 'count')}`;
  const sides = (side: 'left' | 'right') => t.cells.reduce((s, c) => s + c[side] + c.both, 0);
  const parts = [
    byKind.length > 0 ? `: ${listInWords(byKind)}` : '',
    byKind.length > 0 ? `; ${inWords(sides('left'), 20)} left, ${inWords(sides('right'), 20)} right` : '',
    t.shouts > 0 ? `; ${inWords(t.shouts, 20)} ${plural(t.shouts, 'shout')}` : '',
  ];
  return capital(head + parts.join('') + '.');
}
