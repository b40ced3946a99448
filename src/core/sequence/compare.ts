import { dequal } from 'dequal';
import { diffArrays } from 'diff';
import type { Move, Sequence, Step } from './move';
import { printStep } from './notation/print';
import { mirror } from './operations/mirror';

/** What differs between two counts. */
export const COUNT_PARTS = [
  'turn',
  'foot',
  'stance',
  'technique',
  'side',
  'height',
  'target',
  'shout',
  'breath',
  'power',
  'rest',
] as const;
export type CountPart = (typeof COUNT_PARTS)[number];

/**
 * How two sequences lie beside each other, count by count: 1-based numbers, null where one has none. `moved`: the same
 * count stands at another place there.
 */
export interface Beside {
  how: 'same' | 'changed' | 'moved' | 'only here' | 'only there';
  a: number | null;
  b: number | null;
  /** Of a changed count. */
  parts: CountPart[];
}

export interface Comparison {
  rows: Beside[];
  /** Counts that are the same, at the same place of the order. */
  same: number;
  /** The second is nearer to the other side of the first than to the first. */
  otherSide: boolean;
}

const key = (m: Move): string => `${printStep(m.step)}|${m.partner ? printStep(m.partner) : ''}|${m.swaps ? 's' : ''}`;

function partsOf(x: Step, y: Step): CountPart[] {
  const differ = (of: (s: Step) => unknown) => !dequal(of(x), of(y));
  const all: Record<CountPart, boolean> = {
    turn: differ((s) => s.turn),
    foot: differ((s) => s.foot),
    stance: differ((s) => [s.stance, s.lead]),
    technique: differ((s) => s.actions.map((a) => [a.name, a.kind])),
    side: differ((s) => s.actions.map((a) => a.side)),
    height: differ((s) => s.actions.map((a) => a.zone)),
    target: differ((s) => s.actions.map((a) => a.target)),
    shout: differ((s) => s.shout),
    breath: differ((s) => s.breath),
    power: differ((s) => s.powers),
    rest: differ((s) => [s.weight, s.level, s.tempo, s.cue, s.free, s.actions.map((a) => a.path)]),
  };
  const found = COUNT_PARTS.filter((p) => all[p]);
  // Where another technique is done, its side and height go without saying.
  return found.includes('technique') ? found.filter((p) => p !== 'height' && p !== 'target') : found;
}

function lie(a: readonly Move[], b: readonly Move[]): Beside[] {
  const rows: Beside[] = [];
  let [i, j] = [0, 0];
  const parts = diffArrays(a.map(key), b.map(key));
  for (let k = 0; k < parts.length; k++) {
    const p = parts[k]!;
    if (!p.added && !p.removed) {
      for (let n = 0; n < p.count; n++) rows.push({ how: 'same', a: ++i, b: ++j, parts: [] });
      continue;
    }
    const next = parts[k + 1];
    const paired = next && p.added !== next.added && (next.added || next.removed) ? next : null;
    const gone = p.removed ? p.count : paired?.removed ? paired.count : 0;
    const come = p.added ? p.count : paired?.added ? paired.count : 0;
    for (let n = 0; n < Math.max(gone, come); n++) {
      const [x, y] = [n < gone ? a[i + n]! : null, n < come ? b[j + n]! : null];
      rows.push({
        how: x && y ? 'changed' : x ? 'only here' : 'only there',
        a: x ? i + n + 1 : null,
        b: y ? j + n + 1 : null,
        parts:
          x && y
            ? [
                ...new Set([
                  ...partsOf(x.step, y.step),
                  ...(x.partner && y.partner ? partsOf(x.partner, y.partner) : []),
                ]),
              ]
            : [],
      });
    }
    i += gone;
    j += come;
    if (paired) k++;
  }
  return rows;
}

/** Counts that are gone here and stand there somewhere else belong together; what they stood beside goes back to one side. */
function withMoved(rows: readonly Beside[], a: readonly Move[], b: readonly Move[]): Beside[] {
  const loose = (side: 'a' | 'b') => rows.filter((r) => r.how !== 'same' && r[side] !== null).map((r) => r[side]!);
  const there = new Map<string, number[]>();
  for (const n of loose('b')) there.set(key(b[n - 1]!), [...(there.get(key(b[n - 1]!)) ?? []), n]);
  const moved = new Map<number, number>();
  for (const n of loose('a')) {
    const to = there.get(key(a[n - 1]!))?.shift();
    if (to !== undefined) moved.set(n, to);
  }
  const taken = new Set(moved.values());
  return rows.flatMap((r): Beside[] => {
    if (r.how === 'same') return [r];
    const [x, y] = [r.a !== null && moved.has(r.a), r.b !== null && taken.has(r.b)];
    if (!x && !y) return [r];
    return [
      ...(x ? [{ how: 'moved' as const, a: r.a, b: moved.get(r.a!)!, parts: [] }] : []),
      ...(!x && r.a !== null ? [{ how: 'only here' as const, a: r.a, b: null, parts: [] }] : []),
      ...(!y && r.b !== null ? [{ how: 'only there' as const, a: null, b: r.b, parts: [] }] : []),
    ];
  });
}

/** Lays two sequences beside each other: every count of either stands in exactly one row. Remarks and names of sections do not count. */
export function compareSequences(one: Sequence, other: Sequence): Comparison {
  const rows = withMoved(lie(one.moves, other.moves), one.moves, other.moves);
  const sames = (r: readonly Beside[]) => r.filter((x) => x.how === 'same').length;
  const same = sames(rows);
  return { rows, same, otherSide: sames(lie(mirror(one).moves, other.moves)) > same };
}
