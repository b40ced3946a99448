import { type At, type Trace } from '../../floor/trace';
import { BURST, label, n1, shape, type Primitive } from '../drawing';
import { type Move, type Sequence, type Step } from '../move';
import { shortName } from '../spoken';
import { feetOf } from './feet';
import { LETTERS, marks, needle, turnArc } from './marks';
import type { StaveOptions, StaveRows } from './options';
import type { Rows } from './rows';

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
const cut = (t: string, letters: number) =>
  t.length <= letters ? t : `${t.slice(0, Math.max(1, letters - 1)).trimEnd()}.`;

export function twoLines(names: readonly string[], letters: number): string[] {
  const text = names.join(' + ');
  if (text.length <= letters) return [text];
  if (names.length > 1) return [cut(names[0]!, letters), cut(`+ ${names.slice(1).join(' + ')}`, letters)];
  const words = text.split(' ');
  let first = '';
  while (words.length > 0 && (first === '' || `${first} ${words[0]!}`.length <= letters))
    first = first ? `${first} ${words.shift()!}` : words.shift()!;
  if (words.length === 0) return [cut(first, letters)];
  const rest = words.join(' ');
  if (rest.length <= letters || words.length === 1) return [cut(first, letters), cut(rest, letters)];
  // The last word tells most: those before it are shortened.
  const last = words.pop()!;
  const room = letters - last.length - 2;
  return [cut(first, letters), room >= 2 ? `${words.join(' ').slice(0, room)}. ${last}` : cut(last, letters)];
}

const BREATH_LEVEL = { in: -9, out: 9, hold: 0 } as const;

/** How high the breath stands after a count. */
function levelAt({ moves }: Sequence, i: number): number {
  for (let j = i; j >= 0; j--) {
    const b = moves[j]!.step.breath;
    if (b) return BREATH_LEVEL[b];
  }
  return 0;
}

export const fitted = (text: string, width: number, size: number): string => {
  const most = Math.max(1, Math.floor(width / (size * 0.46)));
  return text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1)).trimEnd()}…`;
};

type Fact = number | string | boolean | Step | null;
interface Drawn {
  /** All that the drawing hangs on, besides the step itself and the places. */
  facts: readonly Fact[];
  at: At;
  partnerAt: At | null;
  primitives: Primitive[];
}
/** Columns drawn before, by their count: typing one of two hundred draws one. */
const drawn = new WeakMap<Step, Drawn[]>();

const MOST_DRAWN = 500;

/** The columns whose rows are shown, by what is asked; told apart by the object, so that no text is made of it. */
const shownAs = (o: StaveOptions, show: StaveRows, rows: Rows): string =>
  `${o.column} ${o.scale} ${o.zoneGap} ${rows.height} ${show.breath} ${show.turn} ${show.weight} ${show.names} ${show.feet} ${rows.zoneB !== null}`;
const shownBefore = new WeakMap<StaveRows, string>();

function alike(a: readonly Fact[], b: readonly Fact[]): boolean {
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return a.length === b.length;
}

/** What of a place the drawing shows: never where on the floor it is. */
const placeFacts = ({ heading, weightEnd, lifted, moved, left, right, centre }: At): Fact[] => [
  heading,
  weightEnd,
  lifted,
  moved.length,
  moved[0] ?? null,
  left.x - centre.x,
  left.y - centre.y,
  left.angle,
  right.x - centre.x,
  right.y - centre.y,
  right.angle,
];

const isDrawnAlike = (a: At | null, b: At | null): boolean =>
  a === b || (a !== null && b !== null && alike(placeFacts(a), placeFacts(b)));

export function drawnBefore(...args: Parameters<typeof column>): Primitive[] {
  const [m, i, seq, floor, partnerFloor, o, show, rows] = args;
  const before = floor.at[i - 1] ?? floor.start;
  let asked = shownBefore.get(show);
  if (asked === undefined) shownBefore.set(show, (asked = shownAs(o, show, rows)));
  let last: Step['breath'] = null;
  for (let j = i - 1; j >= 0 && last === null; j--) last = seq.moves[j]!.step.breath;
  // The number first: it tells most of them apart.
  const facts: Fact[] = [
    i,
    m.partner,
    asked,
    o.departs.has(i),
    m.variants.length > 0,
    m.branches.length > 0,
    m.swaps,
    last,
    before.heading,
  ];
  const at = floor.at[i]!;
  const partnerAt = partnerFloor && m.partner ? partnerFloor.at[i]! : null;
  const known = drawn.get(m.step);
  const found = known?.find(
    (d) => alike(d.facts, facts) && isDrawnAlike(d.at, at) && isDrawnAlike(d.partnerAt, partnerAt),
  );
  if (found) return found.primitives;
  const primitives = column(...args);
  if (!known) drawn.set(m.step, [{ facts, at, partnerAt, primitives }]);
  else {
    if (known.length >= MOST_DRAWN) known.length = 0;
    known.push({ facts, at, partnerAt, primitives });
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
    const [a, b] = [i === 0 ? -levelAt(seq, 0) : levelAt(seq, i - 1), levelAt(seq, i)];
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
  if (show.names) {
    nameRow(p, x, rows.nm, m.step, k, letters);
    nameRow(p, x, rows.nmB, m.partner, k, letters);
  }
  return p;
}

function nameRow(p: Primitive[], x: number, y: number | null, step: Step | null, k: number, letters: number): void {
  if (y === null || !step) return;
  for (const [j, text] of twoLines(shortName(step), letters).entries())
    p.push(label(x, y + j * LETTERS.name * k * 1.16, text, LETTERS.name * k));
}
