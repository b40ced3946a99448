import { ZONES, type Zone } from '../units/zone';
import { traceFloor, type At, type Body, type Trace } from '../floor/trace';
import { BURST, footShape, label, n1, shape, type Primitive, type Tone } from './drawing';
import { EMPTY_STEP, type Action, type ActionKind, type Move, type Sequence, type Step } from './move';
import { moveSaid, shortName } from './spoken';

export interface StaveRows {
  sections: boolean;
  breath: boolean;
  facing: boolean;
  turn: boolean;
  feet: boolean;
  weight: boolean;
  names: boolean;
  labels: boolean;
}
export interface StaveOptions {
  body: Body;
  /** Width of a column in drawing units; 64 on the desk. */
  column: number;
  /** Between two zone lines. */
  zoneGap: number;
  /** Size of marks and letters against those of the desk. */
  scale: number;
  rows: Partial<StaveRows>;
  /** Columns in one line of the sheet; null: one line, however long. */
  perLine: number | null;
  /** Moves (0-based) that depart from what the recipe gives. */
  departs: ReadonlySet<number>;
  /** After how many moves a move of the parent is left out. */
  gaps: readonly number[];
  /** Which sectioning is shown above. */
  sectioning: number;
}

export const DESK_STAVE: StaveOptions = {
  body: { stature: 1.7 },
  column: 64,
  zoneGap: 27,
  scale: 1,
  rows: {},
  perLine: null,
  departs: new Set(),
  gaps: [],
  sectioning: 1,
};

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
export interface StaveLine {
  y: number;
  from: number;
  to: number;
  /** Row labels, zone lines, brackets, bars. */
  primitives: Primitive[];
}
export interface StaveLayout {
  width: number;
  height: number;
  column: number;
  /** Height of one line of the sheet. */
  lineHeight: number;
  /** From the top of a line to the row of counts, where the lit column begins. */
  top: number;
  lines: StaveLine[];
  columns: StaveColumn[];
}

interface Rows {
  sec: number | null;
  n: number;
  b: number | null;
  h: number | null;
  t: number | null;
  zone: Record<Zone, number>;
  f: number | null;
  w: number | null;
  nm: number | null;
  /** Lane B. */
  zoneB: Record<Zone, number> | null;
  fB: number | null;
  nmB: number | null;
  height: number;
}

const LETTERS = { label: 13, count: 15, name: 13, section: 14 };
/** Drawing units a metre in the foot row. */
const FEET_SCALE = 58;
const FEET_HALF = 36;

function rowsOf(o: StaveOptions, show: StaveRows, two: boolean): Rows {
  const k = o.scale;
  let y = 2;
  const r: Rows = {
    sec: null,
    n: 0,
    b: null,
    h: null,
    t: null,
    zone: { upper: 0, middle: 0, lower: 0 },
    f: null,
    w: null,
    nm: null,
    zoneB: null,
    fB: null,
    nmB: null,
    height: 0,
  };
  const letters = (size: number) => size * k;
  if (show.sections) {
    r.sec = y + LETTERS.section;
    y += LETTERS.section + 14;
  }
  r.n = y + letters(LETTERS.count) * 0.95;
  y += letters(LETTERS.count) + 10;
  const names = () => {
    r.nm = y + letters(LETTERS.name) * 0.95;
    y += letters(LETTERS.name) * 2.3 + 4;
  };
  const feet = (set: 'f' | 'fB') => {
    r[set] = y + FEET_HALF * k;
    y += FEET_HALF * 2 * k;
  };
  const weight = () => {
    r.w = y + letters(LETTERS.label);
    y += letters(LETTERS.label) + 8;
  };
  const zones = (): Record<Zone, number> => {
    const top = y + 17 * k;
    y = top + 2 * o.zoneGap + 19 * k;
    return { upper: top, middle: top + o.zoneGap, lower: top + 2 * o.zoneGap };
  };
  if (show.breath) {
    r.b = y + 13 * k;
    y += 26 * k + 4;
  }
  if (show.facing) {
    r.h = y + 20 * k;
    y += 40 * k;
  }
  if (show.turn && show.facing) {
    r.t = y + letters(LETTERS.label) * 0.9;
    y += letters(LETTERS.label) + 6;
  }
  if (two) {
    // The two staves face each other: zone lines towards the middle, the lower ones innermost.
    if (show.names) names();
    if (show.feet) feet('f');
    if (show.weight) weight();
    r.zone = zones();
    y += 16 * k;
    const flipped = zones();
    r.zoneB = { upper: flipped.lower, middle: flipped.middle, lower: flipped.upper };
    if (show.feet) feet('fB');
    if (show.names) {
      r.nmB = y + letters(LETTERS.name) * 0.95;
      y += letters(LETTERS.name) * 2.3 + 4;
    }
  } else {
    r.zone = zones();
    if (show.feet) feet('f');
    if (show.weight) weight();
    if (show.names) names();
  }
  r.height = Math.ceil(y);
  return r;
}

/** One mark on a zone line. Right solid, left outlined; what both hands do is drawn twice, side by side. */
export function markOf(kind: ActionKind, side: Action['side'], x: number, y: number, k: number): Primitive[] {
  if (side === 'both')
    return [...markOf(kind, 'left', x - 7 * k, y, k * 0.8), ...markOf(kind, 'right', x + 7 * k, y, k * 0.8)];
  const fill: Tone = side === 'right' ? 'ink' : 'ground';
  const at = { x, y, sx: k, sy: k };
  const body = (d: string): Primitive =>
    shape(d, { fill, stroke: 'ink', width: 1.8, at, ...(side === 'none' ? { dash: '3 2.4' } : {}) });
  switch (kind) {
    case 'strike':
      return [body('M-12 -9L13 0L-12 9Z')];
    case 'block':
      return [body('M-4.5 -12Q-4.5 -13 -3 -13H3Q4.5 -13 4.5 -12V12Q4.5 13 3 13H-3Q-4.5 13 -4.5 12Z')];
    case 'kick':
      return [
        shape('M-4 -.2H-13Q-19 0 -19 8', { stroke: 'ink', width: 2, round: true, at }),
        body('M-6 -9L17 0L-6 9Z'),
      ];
    case 'weapon cut':
      return [
        side === 'right'
          ? shape('M-15 12L15 -12', { stroke: 'ink', width: 5, round: true, at })
          : shape(
              'M-16.2 9.8L12.8 -14M-13.8 14L15.2 -9.8M-16.2 9.8A2.6 2.6 0 0 0 -13.8 14M12.8 -14A2.6 2.6 0 0 1 15.2 -9.8',
              {
                stroke: 'ink',
                width: 1.7,
                round: true,
                at,
              },
            ),
      ];
    case 'grip':
    case 'hand shape':
      return [body('M-8 0A8 8 0 1 1 8 0A8 8 0 1 1 -8 0Z')];
    case 'fall':
      return [shape('M-11 -8V2Q-11 9 -4 9H11', { stroke: 'ink', width: side === 'right' ? 4.4 : 2, round: true, at })];
    case 'evasion':
      return [
        shape('M-11 6Q-4 -11 2 0Q7 9 12 -6', { stroke: 'ink', width: side === 'right' ? 4.4 : 2, round: true, at }),
      ];
  }
}

const needle = (x: number, y: number, heading: number, k: number): Primitive[] => [
  shape('M0 9V-7', { stroke: 'ink', width: 1.9, round: true, at: { x, y, turn: heading, sx: k, sy: k } }),
  shape('M0 -12L4.5 -4H-4.5Z', { fill: 'ink', at: { x, y, turn: heading, sx: k, sy: k } }),
];

/** The turn from the facing before: an arc round the needle with a point where it ends. */
export function turnArc(x: number, y: number, from: number, degrees: number, k: number): Primitive[] {
  const R = 17 * k;
  const rad = (d: number) => (d * Math.PI) / 180;
  const far = Math.max(-330, Math.min(330, degrees * 0.86));
  const [a0, a1] = [rad(from), rad(from + far)];
  const pt = (a: number) => [n1(x + R * Math.sin(a)), n1(y - R * Math.cos(a))] as const;
  const [p0, p1] = [pt(a0), pt(a1)];
  const d = degrees > 0 ? 1 : -1;
  const [tx, ty] = [Math.cos(a1) * d, Math.sin(a1) * d];
  return [
    shape(
      `M${p0[0]} ${p0[1]}A${n1(R)} ${n1(R)} 0 ${Math.abs(far) > 180 ? 1 : 0} ${degrees > 0 ? 1 : 0} ${p1[0]} ${p1[1]}`,
      {
        stroke: 'slate',
        width: n1(1.7 * Math.max(1, k * 0.85)),
      },
    ),
    shape(
      `M${n1(p1[0] + 6 * k * tx)} ${n1(p1[1] + 6 * k * ty)}L${n1(p1[0] - 4 * k * ty)} ${n1(p1[1] + 4 * k * tx)}L${n1(p1[0] + 4 * k * ty)} ${n1(p1[1] - 4 * k * tx)}Z`,
      { fill: 'slate' },
    ),
  ];
}

/** Both feet of a count, the facing up, to scale; the moved one dark. A foot in the air hangs over a small bow. */
function feetOf(at: At, step: Step, x: number, y: number, k: number, footLength: number): Primitive[] {
  const a = (at.heading * Math.PI) / 180;
  const local = (p: { x: number; y: number }, o: { x: number; y: number }) => ({
    x: (p.x - o.x) * Math.cos(a) - (p.y - o.y) * Math.sin(a),
    y: (p.x - o.x) * Math.sin(a) + (p.y - o.y) * Math.cos(a),
  });
  const tone = (side: 'left' | 'right'): Tone => (at.moved.includes(side) ? 'ink' : 'still');
  const mid = { x: (at.left.x + at.right.x) / 2, y: (at.left.y + at.right.y) / 2 };
  const kicks = at.lifted;
  if (kicks) {
    const stands = kicks === 'left' ? 'right' : 'left';
    const s = kicks === 'right' ? 1 : -1;
    const m = FEET_SCALE * k;
    const w = 7 * k;
    return [
      footShape(stands, x - s * 0.08 * m, y + 0.2 * m, -s * 8, footLength * m, 'still'),
      footShape(kicks, x + s * 0.08 * m, y - 0.4 * m, 0, footLength * m, 'ink'),
      shape(`M${n1(x + s * 0.08 * m - w)} ${n1(y - 0.1 * m)}q${n1(w)} ${n1(5 * k)} ${n1(2 * w)} 0`, {
        stroke: 'ink',
        width: 1.4,
        round: true,
      }),
    ];
  }
  const feet = (['left', 'right'] as const).map((side) => ({
    side,
    ...local(at[side], mid),
    turn: at[side].angle - at.heading,
  }));
  // Wide stances are drawn smaller so that they stay in their row.
  const extent = Math.max(...feet.map((f) => Math.abs(f.y))) + footLength * 0.6;
  const across = Math.max(...feet.map((f) => Math.abs(f.x))) + footLength * 0.5;
  const m = k * Math.min(FEET_SCALE, FEET_HALF / extent, 31 / across);
  return [
    ...feet
      .sort((p, q) => Number(tone(p.side) === 'ink') - Number(tone(q.side) === 'ink'))
      .map((f) => footShape(f.side, n1(x + f.x * m), n1(y - f.y * m), f.turn, footLength * m * 1.08, tone(f.side))),
    ...(step.foot?.way === 'jump'
      ? [
          shape(`M${n1(x - 9 * k)} ${n1(y + 33 * k)}q${n1(9 * k)} ${n1(-7 * k)} ${n1(18 * k)} 0`, {
            stroke: 'ink',
            width: 1.4,
          }),
        ]
      : []),
  ];
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

/**
 * The stave of a sequence as drawing primitives: a column a count, from the top sections, counts, breath with the
 * shout, facing with the turn, three lines for the heights, feet to scale, weight, names. A sequence of two lanes has a
 * second stave that faces the first, with ties from attack to answer. Pure: no fonts are measured.
 */
export function layoutStave(seq: Sequence, options: Partial<StaveOptions> = {}, trace?: Trace): StaveLayout {
  const o: StaveOptions = { ...DESK_STAVE, ...options };
  const k = o.scale;
  const two = seq.moves.some((m) => m.partner !== null);
  const hasSections = seq.moves.some((m) => m.begins.some((b) => b.sectioning === o.sectioning));
  const show: StaveRows = {
    sections: hasSections,
    breath: seq.moves.some((m) => m.step.breath !== null || m.step.shout),
    facing: true,
    turn: seq.moves.some((m) => m.step.turn !== null),
    feet: true,
    weight: !two,
    names: true,
    labels: true,
    ...o.rows,
  };
  if (!hasSections) show.sections = false;
  const rows = rowsOf(o, show, two);
  const left = show.labels ? 60 * Math.max(1, k * 0.9) : 4;
  const floor = trace ?? traceFloor(seq, o.body);
  const partnerFloor = two
    ? traceFloor(
        seq.moves.map((m) => m.partner ?? EMPTY_STEP),
        o.body,
      )
    : null;
  const n = seq.moves.length;
  const per = o.perLine ?? Math.max(1, n);
  const lineCount = Math.max(1, Math.ceil(n / per));
  const lineGap = 28;
  const cw = o.column;
  const letters = Math.floor(cw / (LETTERS.name * k * 0.53));

  const columns: StaveColumn[] = seq.moves.map((m, i) => {
    const line = Math.floor(i / per);
    return {
      index: i,
      x: left + (i - line * per) * cw,
      y: line * (rows.height + lineGap),
      // Drawn when first asked for: on screen only the columns in sight are.
      get primitives() {
        return drawnBefore(m, i, seq, floor, partnerFloor, o, show, rows, letters);
      },
      // Only who listens asks for the words.
      get said() {
        return moveSaid(m, i + 1, floor.at[i]);
      },
    };
  });

  const lines: StaveLine[] = Array.from({ length: lineCount }, (_, line) => {
    const from = line * per;
    const to = Math.min(n, from + per);
    const right = left + (to - from) * cw;
    const p: Primitive[] = [];
    if (show.labels) {
      const words: [string, number | null][] = [
        ['breath', rows.b],
        ['facing', rows.h],
        ['upper', rows.zone.upper],
        ['middle', rows.zone.middle],
        ['lower', rows.zone.lower],
        ['feet', rows.f],
        ['weight', rows.w === null ? null : rows.w - 4],
      ];
      if (rows.zoneB)
        words.push(
          ['lower', rows.zoneB.lower],
          ['middle', rows.zoneB.middle],
          ['upper', rows.zoneB.upper],
          ['feet', rows.fB],
        );
      for (const [text, y] of words)
        if (y !== null)
          p.push(
            label(left - 12, y + LETTERS.label * k * 0.36, text, LETTERS.label * k, { anchor: 'end', tone: 'ink2' }),
          );
      if (two) {
        p.push(label(left - 12, rows.nm === null ? rows.n : rows.nm, 'A', 15 * k, { anchor: 'end', weight: 700 }));
        if (rows.nmB !== null) p.push(label(left - 12, rows.nmB, 'B', 15 * k, { anchor: 'end', weight: 700 }));
      }
    }
    for (const set of [rows.zone, rows.zoneB])
      if (set) {
        const ys = ZONES.map((z) => set[z]);
        for (const y of ys)
          p.push(shape(`M${n1(left)} ${n1(y)}H${n1(right)}`, { stroke: 'zone', width: k > 1.2 ? 1.5 : 1.2 }));
        const [top, bottom] = [Math.min(...ys) - 18 * k, Math.max(...ys) + 18 * k];
        p.push(
          shape(`M${n1(left)} ${n1(top)}V${n1(bottom)}M${n1(right)} ${n1(top)}V${n1(bottom)}`, {
            stroke: 'ink',
            width: 1.6,
          }),
        );
      }
    const starts = seq.moves.flatMap((m, i) => {
      const b = m.begins.find((x) => x.sectioning === o.sectioning);
      return b && i < to ? [{ name: b.name, i }] : [];
    });
    starts.forEach((s, j) => {
      const end = Math.min(to, starts[j + 1]?.i ?? n);
      if (end <= from) return;
      const start = Math.max(from, s.i);
      const [a, b] = [left + (start - from) * cw, left + (end - from) * cw];
      if (rows.sec !== null) {
        p.push(
          shape(`M${n1(a + 4)} ${rows.sec + 12}V${rows.sec + 7}H${n1(b - 4)}V${rows.sec + 12}`, {
            stroke: 'ink2',
            width: 1.1,
          }),
          label(a + 4, rows.sec, fitted(s.name, (end - start) * cw - 8, LETTERS.section), LETTERS.section, {
            anchor: 'start',
            serif: true,
          }),
        );
      }
      if (start > from)
        p.push(
          shape(`M${n1(a)} ${n1(rows.zone.upper - 18 * k)}V${n1(rows.zone.lower + 18 * k)}`, {
            stroke: 'ink2',
            width: 1,
          }),
        );
    });
    for (const g of o.gaps)
      if (g >= from && (g < to || (g === to && to === n))) {
        const x = left + (g - from) * cw;
        p.push(
          shape(`M${n1(x - 5)} ${n1(rows.n - 9)}L${n1(x)} ${n1(rows.n - 2)}L${n1(x + 5)} ${n1(rows.n - 9)}`, {
            stroke: 'pine',
            width: 2,
            round: true,
          }),
          shape(`M${n1(x)} ${n1(rows.n)}V${n1(rows.zone.lower + 18 * k)}`, { stroke: 'pine', width: 1.4, dash: '3 4' }),
        );
      }
    return { y: line * (rows.height + lineGap), from, to, primitives: p };
  });
  const widest = Math.min(per, Math.max(1, n));
  return {
    width: Math.ceil(left + widest * cw + 6),
    height: lineCount * rows.height + (lineCount - 1) * lineGap + 4,
    column: cw,
    lineHeight: rows.height,
    top: n1(rows.n - LETTERS.count * k * 1.06),
    lines,
    columns,
  };
}

const fitted = (text: string, width: number, size: number): string => {
  const most = Math.max(1, Math.floor(width / (size * 0.46)));
  return text.length <= most ? text : `${text.slice(0, Math.max(1, most - 1)).trimEnd()}…`;
};

/** Where two marks stand on one line they are moved apart. */
function marks(step: Step, zone: Record<Zone, number>, x: number, k: number): Primitive[] {
  const at = new Map<Zone, number>();
  const ys = step.actions.map((a) => zone[a.zone ?? 'middle']);
  const stem =
    ys.length > 1 && Math.max(...ys) > Math.min(...ys)
      ? [shape(`M${n1(x)} ${n1(Math.min(...ys))}V${n1(Math.max(...ys))}`, { stroke: 'ink', width: 1.4 })]
      : [];
  const same = (z: Zone) => step.actions.filter((a) => (a.zone ?? 'middle') === z).length;
  return [
    ...stem,
    ...step.actions.flatMap((a) => {
      const z = a.zone ?? 'middle';
      const i = at.get(z) ?? 0;
      at.set(z, i + 1);
      const n = same(z);
      const off = n > 1 ? (i - (n - 1) / 2) * 22 * k : 0;
      return markOf(a.kind, a.side, n1(x + off), zone[z], n > 1 ? k * 0.8 : k);
    }),
  ];
}

/** Columns drawn before, by their count: typing one of two hundred draws one. */
const drawn = new WeakMap<Step, Map<string, Primitive[]>>();
const MOST_DRAWN = 500;

function drawnBefore(...args: Parameters<typeof column>): Primitive[] {
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

function column(
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
