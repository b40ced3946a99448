import { type At, type Trace } from '../../floor/trace';
import { BURST, label, n1, shape, type Primitive } from '../drawing';
import { type Move, type Sequence, type Step } from '../move';
import { shortName } from '../spoken';
import { feetOf } from './feet';
import { LETTERS, marks, needle, turnArc } from './marks';
import type { StaveOptions } from './options';
import type { Rows, StaveRows } from './rows';

export interface StaveColumn {
  /** 0-based. */
  index: number;
  /** Left edge and top of the column in the drawing; its primitives are drawn from there. */
  x: number;
  y: number;
  primitives: Primitive[];
  /** The count in full words. */
  said: string;
}

/** A name in two short lines. */
export function twoLines(names: readonly string[], letters: number): string[] {
  const cut = (t: string) => (t.length <= letters ? t : `${t.slice(0, Math.max(1, letters - 1)).trimEnd()}.`);
  const text = names.join(' + ');
  if (text.length <= letters) return [text];
  if (names.length > 1) return [cut(names[0]!), cut(`+ ${names.slice(1).join(' + ')}`)];
  const words = text.split(' ');
  let first = '';
  while (words.length > 0 && (first === '' || `${first} ${words[0]!}`.length <= letters))
    first = first ? `${first} ${words.shift()!}` : words.shift()!;
  if (words.length === 0) return [cut(first)];
  const rest = words.join(' ');
  if (rest.length <= letters || words.length === 1) return [cut(first), cut(rest)];
  // The last word tells most: those before it are shortened.
  const last = words.pop()!;
  const room = letters - last.length - 2;
  return [cut(first), room >= 2 ? `${words.join(' ').slice(0, room)}. ${last}` : cut(last)];
}

const BREATH_LEVEL = { in: -9, out: 9, hold: 0 } as const;

export const fitted = (text: string, width: number, size: number): string => {
  const most = Math.max(1, Math.floor(width / (size * 0.46)));
  return text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1)).trimEnd()}…`;
};

/** Columns drawn before, by their count: typing one of two hundred draws one. */
const drawn = new WeakMap<Step, Map<string, Primitive[]>>();

const MOST_DRAWN = 500;

export function drawnBefore(...args: Parameters<typeof column>): Primitive[] {
  const [m, i, seq, floor, partnerFloor, o, show, rows] = args;
  const at = floor.at[i]!;
  const before = floor.at[i - 1] ?? floor.start;
  const foot = (f: At['left']) => `${f.x - at.centre.x} ${f.y - at.centre.y} ${f.angle} `;
  let last: Step['breath'] = null;
  for (let j = i - 1; j >= 0 && last === null; j--) last = seq.moves[j]!.step.breath;
  const key = [
    i,
    o.column,
    o.scale,
    o.zoneGap,
    rows.height,
    o.departs.has(i),
    m.variants.length > 0,
    m.branches.length > 0,
    m.swaps,
    last,
    at.heading,
    before.heading,
    at.weightEnd,
    at.lifted,
    at.moved.join(''),
    foot(at.left),
    foot(at.right),
    show.breath,
    show.turn,
    show.weight,
    show.names,
    show.feet,
  ].join(' ');
  if (m.partner !== null || partnerFloor !== null) return column(...args);
  let known = drawn.get(m.step);
  if (!known) drawn.set(m.step, (known = new Map<string, Primitive[]>()));
  let primitives = known.get(key);
  if (!primitives) {
    primitives = column(...args);
    if (known.size >= MOST_DRAWN) known.clear();
    known.set(key, primitives);
  }
  return primitives;
}

export function column(
  m: Move,
  i: number,
  seq: Sequence,
  floor: Trace,
  partnerFloor: Trace | null,
  o: StaveOptions,
  show: StaveRows,
  rows: Rows,
  letters: number,
): Primitive[] {
  const k = o.scale;
  const x = o.column / 2;
  const at = floor.at[i]!;
  const before = floor.at[i - 1] ?? floor.start;
  const p: Primitive[] = [];
  const size = LETTERS.count * k;
  const departs = o.departs.has(i);
  if (departs) {
    const t = size;
    p.push(
      shape(
        `M${n1(x - t)} ${n1(rows.n + size * 0.34)}V${n1(rows.n - size * 0.76)}q0 -4 4 -4H${n1(x + t - 4)}q4 0 4 4V${n1(rows.n + size * 0.34)}Z`,
        { fill: 'pine' },
      ),
    );
  }
  p.push(label(x, rows.n, String(i + 1), size, { weight: departs ? 700 : 600, tone: departs ? 'onPine' : 'ink' }));
  const side = n1(x + size * 1.15 + 3);
  const mid = n1(rows.n - size * 0.36);
  if (m.variants.length > 0)
    p.push(shape(`M${side} ${mid}q2.5 -5 5 0t5 0`, { stroke: 'slate', width: 1.8, round: true }));
  if (m.branches.length > 0)
    p.push(shape(`M${n1(side - 1)} ${mid}h4l5 -4m-5 4l5 4`, { stroke: 'slate', width: 1.6, round: true }));
  if (m.swaps)
    p.push(
      shape(`M${n1(x - 9)} ${n1(rows.n + 7)}h18m-4 -3l4 3l-4 3`, { stroke: 'brass', width: 1.6, round: true }),
      shape(`M${n1(x + 9)} ${n1(rows.n + 12)}h-18m4 -3l-4 3l4 3`, { stroke: 'brass', width: 1.6, round: true }),
    );
  if (show.breath && rows.b !== null) {
    const levelAt = (j: number) => {
      for (let q = j; q >= 0; q--) {
        const b = seq.moves[q]!.step.breath;
        if (b) return BREATH_LEVEL[b];
      }
      return 0;
    };
    const [a, b] = [i === 0 ? -levelAt(0) : levelAt(i - 1), levelAt(i)];
    const w = o.column;
    p.push(
      shape(
        `M0 ${n1(rows.b + a * k)}C${n1(w * 0.4)} ${n1(rows.b + a * k)} ${n1(w * 0.5)} ${n1(rows.b + b * k)} ${n1(w)} ${n1(rows.b + b * k)}`,
        { stroke: 'ink2', width: k > 1.2 ? 2 : 1.7 },
      ),
    );
    if (m.step.shout) p.push(shape(BURST, { fill: 'ink', at: { x, y: rows.b, sx: k, sy: k } }));
  } else if (m.step.shout) {
    p.push(shape(BURST, { fill: 'ink', at: { x: n1(x - size * 1.4), y: mid, sx: 0.5 * k, sy: 0.5 * k } }));
  }
  if (show.facing && rows.h !== null) {
    p.push(...needle(x, rows.h, at.heading, k));
    if (m.step.turn) {
      p.push(...turnArc(x, rows.h, before.heading, m.step.turn.degrees, k));
      if (rows.t !== null)
        p.push(
          label(
            x,
            rows.t,
            `${m.step.turn.degrees < 0 ? 'L' : 'R'} ${Math.abs(m.step.turn.degrees)}°`,
            LETTERS.label * k,
            {
              weight: 560,
              tone: 'slate',
            },
          ),
        );
    }
  }
  if (rows.zoneB && m.partner) {
    const attack = m.step.actions[0];
    const reply = m.partner.actions[0];
    if (attack && reply && rows.zoneB) {
      const [y0, y1] = [rows.zone[attack.zone ?? 'middle'], rows.zoneB[reply.zone ?? 'middle']];
      p.push(
        shape(
          `M${n1(x + 15)} ${n1(y0)}C${n1(x + 27)} ${n1(y0 + 14)} ${n1(x + 27)} ${n1(y1 - 14)} ${n1(x + 15)} ${n1(y1)}`,
          { stroke: 'slate', width: 1.5 },
        ),
      );
    }
  }
  p.push(...marks(m.step, rows.zone, x, k));
  if (rows.zoneB && m.partner) p.push(...marks(m.partner, rows.zoneB, x, k));
  if (show.feet && rows.f !== null) p.push(...feetOf(at, m.step, x, rows.f, k, floor.body.footLength));
  if (show.feet && rows.fB !== null && partnerFloor && m.partner)
    p.push(...feetOf(partnerFloor.at[i]!, m.partner, x, rows.fB, k, floor.body.footLength));
  if (show.weight && rows.w !== null)
    p.push(
      label(x - 4, rows.w, String(Math.round(at.weightEnd)), LETTERS.label * k, { anchor: 'end', tone: 'ink2' }),
      label(x + 4, rows.w, String(Math.round(100 - at.weightEnd)), LETTERS.label * k, {
        anchor: 'start',
        tone: 'ink2',
      }),
      shape(`M${n1(x)} ${n1(rows.w - 10)}V${n1(rows.w + 1)}`, { stroke: 'rule', width: 1 }),
    );
  const nameRow = (y: number | null, step: Step | null) => {
    if (y === null || !step || !show.names) return;
    twoLines(shortName(step), letters).forEach((text, j) => {
      p.push(label(x, y + j * LETTERS.name * k * 1.16, text, LETTERS.name * k));
    });
  };
  nameRow(rows.nm, m.step);
  nameRow(rows.nmB, m.partner);
  return p;
}
