import { footShape, label, n1, shape, type Primitive } from '../sequence/drawing';
import type { Sequence } from '../sequence/move';
import type { Room } from './room';
import type { Spot, Trace } from './trace';

export interface FloorPlanOptions {
  /** Size of the drawing. */
  width: number;
  height: number;
  /** Most drawing units a metre. */
  scale: number;
  /** Walls to draw around the start, if the room is known. */
  room: Room | null;
  /** The allowed closing error in metres; what is beyond is drawn. Null: not a closing pattern. */
  closingAllowed: number | null;
  /** The way of the partner, where there is one. */
  partner: Trace | null;
}

export interface FloorPlan {
  width: number;
  height: number;
  /** Drawing units a metre. */
  scale: number;
  ground: Primitive[];
  /** The feet that each count puts down, and its own number beside them, for when it is lit. */
  counts: { index: number; primitives: Primitive[]; number: Primitive }[];
  /** Numbers of the counts that share a place, where they can be read; crowded ones are left out. */
  numbers: Primitive[];
}

const DESK_PLAN: FloorPlanOptions = {
  width: 318,
  height: 274,
  scale: 112,
  room: null,
  closingAllowed: null,
  partner: null,
};

/**
 * The floor from above, north up as at the start: a grid in metres, the way of the centre, the feet as each count puts
 * them down with the numbers of the counts that share a place, and how far the end lies from the mark.
 */
export function layoutFloor(seq: Sequence, trace: Trace, options: Partial<FloorPlanOptions> = {}): FloorPlan {
  const o = { ...DESK_PLAN, ...options };
  const foot = trace.body.footLength;
  const all = [trace.start, ...trace.at];
  const others = o.partner ? [o.partner.start, ...o.partner.at] : [];
  const spots: Spot[] = [...all, ...others].flatMap((a) => [a.left, a.right, a.centre]);
  const pad = foot * 0.75;
  const [w, e, s, n] = [
    Math.min(...spots.map((p) => p.x)) - pad,
    Math.max(...spots.map((p) => p.x)) + pad,
    Math.min(...spots.map((p) => p.y)) - pad,
    Math.max(...spots.map((p) => p.y)) + pad,
  ];
  const margin = { x: 26, top: 38, bottom: 40 };
  const k = Math.min(
    o.scale,
    (o.width - 2 * margin.x) / Math.max(0.1, e - w),
    (o.height - margin.top - margin.bottom) / Math.max(0.1, n - s),
  );
  const ox = o.width / 2 - ((w + e) / 2) * k;
  const oy = margin.top + (o.height - margin.top - margin.bottom) / 2 + ((s + n) / 2) * k;
  const at = (p: Spot): [number, number] => [n1(ox + p.x * k), n1(oy - p.y * k)];
  const ground: Primitive[] = [];
  const half = (foot * k) / 2 + 9;
  const step = k < 26 ? 5 : 1;
  for (let x = Math.ceil(-ox / k / step) * step; ox + x * k < o.width; x += step)
    ground.push(shape(`M${n1(ox + x * k)} 0V${o.height}`, { stroke: 'rule' }));
  for (let y = Math.ceil((oy - o.height) / k / step) * step; oy - y * k > 0; y += step)
    ground.push(shape(`M0 ${n1(oy - y * k)}H${o.width}`, { stroke: 'rule' }));
  if (o.room) {
    const [rw, rd] = [(o.room.width / 2) * k, (o.room.depth / 2) * k];
    const [cx, cy] = at({ x: (trace.box.west + trace.box.east) / 2, y: (trace.box.south + trace.box.north) / 2 });
    ground.push(
      shape(`M${n1(cx - rw)} ${n1(cy - rd)}H${n1(cx + rw)}V${n1(cy + rd)}H${n1(cx - rw)}Z`, {
        stroke: 'ink',
        width: 1.4,
        dash: '6 4',
      }),
    );
  }
  const centres = all.map((a) => at(a.centre));
  if (o.partner) {
    const way = others.map((a) => at(a.centre));
    for (const side of ['left', 'right'] as const) {
      const [x, y] = at(o.partner.start[side]);
      ground.push(
        footShape(side, x, y, o.partner.start[side].angle, foot * k, 'brass', {
          dash: '1.8 1.8',
          width: 1.3,
          open: true,
        }),
      );
    }
    ground.push(
      shape(`M${way.map((c) => `${c[0]} ${c[1]}`).join('L')}`, {
        stroke: 'brass',
        width: 1.6,
        round: true,
        dash: '6 3',
      }),
      label(way[0]![0], way[0]![1] - half - 4, 'B', 15, { tone: 'brass', weight: 700, rim: true }),
      label(centres[0]![0], centres[0]![1] + half + 14, 'A', 15, { tone: 'slate', weight: 700, rim: true }),
    );
  }
  for (const side of ['left', 'right'] as const) {
    const [x, y] = at(trace.start[side]);
    ground.push(footShape(side, x, y, 0, foot * k, 'still', { dash: '1.8 1.8', width: 1.3, open: true }));
  }
  ground.push(
    shape(`M${centres.map((c) => `${c[0]} ${c[1]}`).join('L')}`, { stroke: 'slate', width: 1.6, round: true }),
  );
  // Points along the way wherever it goes on for long enough to carry one.
  for (let i = 1; i < centres.length; i++) {
    const [a, b] = [centres[i - 1]!, centres[i]!];
    const length = Math.hypot(b[0] - a[0], b[1] - a[1]);
    if (length < 34) continue;
    const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length];
    const [mx, my] = [(a[0] + b[0]) / 2, (a[1] + b[1]) / 2];
    ground.push(
      shape(
        `M${n1(mx + 7 * ux)} ${n1(my + 7 * uy)}L${n1(mx - 5 * ux - 5 * uy)} ${n1(my - 5 * uy + 5 * ux)}L${n1(mx - 5 * ux + 5 * uy)} ${n1(my - 5 * uy - 5 * ux)}Z`,
        { fill: 'slate' },
      ),
    );
  }
  ground.push(
    shape('M-3.5 0A3.5 3.5 0 1 1 3.5 0A3.5 3.5 0 1 1 -3.5 0Z', {
      fill: 'slate',
      at: { x: centres[0]![0], y: centres[0]![1] },
    }),
  );
  if (o.closingAllowed !== null && trace.at.length > 0 && trace.closing.distance > o.closingAllowed) {
    const [a, b] = [centres[0]!, centres.at(-1)!];
    ground.push(
      shape(`M${a[0]} ${a[1]}L${b[0]} ${b[1]}`, { stroke: 'brass', width: 1.8, dash: '5 3' }),
      label(o.width - 12, o.height - 14, `${trace.closing.distance.toFixed(2)} m off the mark`, 14, {
        tone: 'brass',
        weight: 600,
        anchor: 'end',
        rim: true,
      }),
    );
  }
  ground.push(
    shape('M16 32V14', { stroke: 'ink2', width: 1.3 }),
    shape('M16 9L12 17H20Z', { fill: 'ink2' }),
    label(26, 22, `north, grid ${step} m`, 13, { anchor: 'start', tone: 'ink2', rim: true }),
  );

  // Counts that end where an earlier one stands share its number's place.
  const placed: { x: number; y: number; counts: number[]; side: 'left' | 'right' }[] = [];
  const feetAt: [number, number][] = [at(trace.start.left), at(trace.start.right)];
  const counts: FloorPlan['counts'] = trace.at.map((a, index) => {
    const { step } = seq.moves[index]!;
    const moved = a.moved.filter((m) => m !== a.lifted);
    const feet = step.foot ? [step.foot.side] : step.stance !== null || step.turn !== null ? moved : [];
    const primitives: Primitive[] = feet.map((side) => {
      const [x, y] = at(a[side]);
      feetAt.push([x, y]);
      return footShape(side, x, y, a[side].angle, foot * k, 'still', { width: 1.6 });
    });
    const b = o.partner?.at[index];
    for (const side of b?.moved ?? []) {
      const [x, y] = at(b![side]);
      primitives.push(footShape(side, x, y, b![side].angle, foot * k, 'brass', { width: 1.6 }));
    }
    const side = feet[0] ?? 'right';
    const [x, y] = at(feet.length > 0 ? a[side] : a.centre);
    const near = placed.find((q) => Math.hypot(q.x - x, q.y - y) < 14);
    if (near) near.counts.push(index + 1);
    else placed.push({ x, y, counts: [index + 1], side });
    const number = label(x, y - half - 2, String(index + 1), 15, { weight: 700, rim: true });
    return { index, primitives, number };
  });
  const taken: { x: number; y: number; w: number }[] = [];
  const numbers: Primitive[] = [];
  for (const q of placed) {
    const text = runs(q.counts);
    const w = text.length * 7.2 + 4;
    const out = q.side === 'right' ? 1 : -1;
    const choices: [number, number][] = [
      [q.x + out * (9 + w / 2), q.y + 5],
      [q.x - out * (9 + w / 2), q.y + 5],
      [q.x, q.y - half + 2],
      [q.x, q.y + half + 7],
      [q.x + out * (16 + w / 2), q.y - 10],
      [q.x + out * (16 + w / 2), q.y + 18],
    ];
    const free = choices.find(
      ([x, y]) =>
        x - w / 2 > 4 &&
        x + w / 2 < o.width - 4 &&
        y > 42 &&
        y < o.height - 4 &&
        taken.every((t) => Math.abs(t.x - x) > (t.w + w) / 2 || Math.abs(t.y - y) > 14) &&
        feetAt.every(([a, b]) => Math.abs(a - x) > w / 2 + foot * k * 0.18 || Math.abs(b - (y - 5)) > foot * k * 0.42),
    );
    if (!free) continue;
    taken.push({ x: free[0], y: free[1], w });
    numbers.push(label(free[0], free[1], text, 13, { weight: 600, rim: true }));
  }
  return { width: o.width, height: o.height, scale: k, ground, counts, numbers };
}

/** 1, 2, 3, 7 as “1–3, 7”, in as many runs as there are. */
export function allRuns(counts: readonly number[]): string[] {
  const out: [number, number][] = [];
  for (const c of counts) {
    const last = out.at(-1);
    if (last?.[1] === c - 1) last[1] = c;
    else out.push([c, c]);
  }
  return out.map(([a, b]) => (a === b ? String(a) : b === a + 1 ? `${a}, ${b}` : `${a}–${b}`));
}

/** The same where there is little room: more than two runs end in a stop. */
export function runs(counts: readonly number[]): string {
  const words = allRuns(counts);
  return words.length > 2 ? `${words.slice(0, 2).join(', ')}…` : words.join(', ');
}
