/** A board that stands in the post: breadth, thickness at the clamp and at its own top, length above the clamp; metres. */
export interface PostBoard {
  breadth: number;
  thickness: number;
  top: number;
  length: number;
}

/** Boards that are one piece, that slide on each other and bend alike, or that touch near the shorter one’s tip only. */
export const FIXINGS = ['glued', 'joined', 'loose'] as const;
export type Fixing = (typeof FIXINGS)[number];

/** What a post is built of; the second board stands behind the front one. */
export interface PostBuild {
  front: PostBoard;
  second: PostBoard | null;
  fixing: Fixing;
  /** Of the timber, in pascal. */
  modulus: number;
  strength: number;
}

/** How a post bends under a push. */
export interface PostBend {
  /** Where it is pushed, in metres. */
  deflection: number;
  /** Newton a metre. */
  stiffness: number;
  /** The line of the front board from the clamp to where it is pushed, and its slope there: above it stays straight. */
  curve: readonly { z: number; y: number }[];
  slope: number;
  /** The greatest stress, in pascal, how high above the clamp, and in which board. */
  stress: { pascal: number; z: number; board: 'front' | 'second' | 'both' };
  /** Of loose boards: the force with which they touch, in newton. */
  contact: number | null;
}

const STEPS = 400;

const thicknessAt = (b: PostBoard, z: number): number =>
  b.thickness + (b.top - b.thickness) * Math.min(1, Math.max(0, z / b.length));
const inertia = (breadth: number, h: number): number => (breadth * h ** 3) / 12;

/** Two rectangles on each other as one piece: second moment of area, and the distance of the outer faces from its middle. */
function gluedSection(front: { b: number; h: number }, second: { b: number; h: number }) {
  const a1 = front.b * front.h;
  const a2 = second.b * second.h;
  const middle = (a1 * (front.h / 2) + a2 * (front.h + second.h / 2)) / (a1 + a2);
  const i =
    inertia(front.b, front.h) +
    a1 * (middle - front.h / 2) ** 2 +
    inertia(second.b, second.h) +
    a2 * (front.h + second.h / 2 - middle) ** 2;
  return { i, outer: Math.max(middle, front.h + second.h - middle) };
}

/**
 * Bends a board that is clamped below, by its moments: deflection by Simpson’s rule over each step, so that a step of the
 * section, which falls on a step of the grid, costs nothing.
 */
function bentLine(moment: (z: number) => number, stiffness: (z: number) => number, grid: readonly number[]) {
  const curvature = (z: number) => moment(z) / stiffness(z);
  const y = [0];
  const slope = [0];
  for (let i = 1; i < grid.length; i += 1) {
    const a = grid[i - 1]!;
    const h = grid[i]! - a;
    // Seen from inside the step, so that what changes at its ends belongs to one side.
    const e = h * 1e-9;
    const [k0, k1, k2] = [curvature(a + e), curvature(a + h / 2), curvature(a + h - e)];
    y.push(y[i - 1]! + slope[i - 1]! * h + (h * h * (k0 + 2 * k1)) / 6);
    slope.push(slope[i - 1]! + (h * (k0 + 4 * k1 + k2)) / 6);
  }
  return { y, slope: slope.at(-1)! };
}

const grid = (to: number, breaks: readonly number[]): number[] => {
  const ends = [0, ...breaks.filter((b) => b > 0 && b < to), to];
  return ends
    .slice(1)
    .flatMap((end, i) => {
      const from = ends[i]!;
      const n = Math.max(8, Math.round((STEPS * (end - from)) / to));
      return Array.from({ length: n }, (_, k) => from + ((end - from) * (k + 1)) / n);
    })
    .reduce<number[]>((all, z) => [...all, z], [0]);
};

/**
 * How a post bends when it is pushed with a steady force (newton) so many metres above its clamp. Euler–Bernoulli
 * cantilever of small deflections; glued boards bend as one section, joined ones share the moment by their stiffness, loose
 * ones touch where the shorter ends, or where it is pushed if that is lower (leaf springs, by superposition). The push must
 * not be above the front board. Source: any mechanics handbook; tapers by numerical integration.
 */
export function bendPost(post: PostBuild, blow: number, force: number): PostBend {
  const { front, second, fixing, modulus } = post;
  if (!(blow > 0) || blow > front.length + 1e-9)
    throw new RangeError('A post is pushed above its clamp and below its top.');
  const a = second ? Math.min(second.length, blow) : 0;
  const zs = grid(blow, [a]);
  const hf = (z: number) => thicknessAt(front, z);
  const hs = (z: number) => (second ? thicknessAt(second, z) : 0);
  const frontStiff = (z: number) => modulus * inertia(front.breadth, hf(z));
  const secondStiff = (z: number) => (second ? modulus * inertia(second.breadth, hs(z)) : 0);
  const worst = { pascal: 0, z: 0, board: 'front' as 'front' | 'second' | 'both' };
  const check = (pascal: number, z: number, board: typeof worst.board) => {
    if (pascal > worst.pascal + 1e-6) Object.assign(worst, { pascal, z, board });
  };
  const full = (z: number) => force * (blow - z);
  let line: ReturnType<typeof bentLine>;
  let contact: number | null = null;
  if (fixing === 'loose' && second) {
    const low = zs.filter((z) => z <= a + 1e-12);
    const pushed = bentLine(full, frontStiff, low).y.at(-1)!;
    const held = bentLine((z) => a - z, frontStiff, low).y.at(-1)!;
    const gives = bentLine((z) => a - z, secondStiff, low).y.at(-1)!;
    const r = pushed / (held + gives);
    contact = r;
    const moment = (z: number) => full(z) - (z < a ? r * (a - z) : 0);
    line = bentLine(moment, frontStiff, zs);
    for (const z of zs) {
      check(Math.abs(moment(z)) / ((front.breadth * hf(z) ** 2) / 6), z, 'front');
      if (z < a) check((r * (a - z)) / ((second.breadth * hs(z) ** 2) / 6), z, 'second');
    }
  } else {
    const glued = (z: number) => gluedSection({ b: front.breadth, h: hf(z) }, { b: second!.breadth, h: hs(z) });
    const both = (z: number) => (fixing === 'glued' ? modulus * glued(z).i : frontStiff(z) + secondStiff(z));
    line = bentLine(full, (z) => (second && z < a ? both(z) : frontStiff(z)), zs);
    const alone = (m: number, b: PostBoard, h: number) => m / ((b.breadth * h ** 2) / 6);
    for (const z of zs) {
      const m = full(z);
      if (!second || z >= a) check(alone(m, front, hf(z)), z, 'front');
      else if (fixing === 'glued') {
        const { i, outer } = glued(z);
        check((m * outer) / i, z, 'both');
      } else {
        const shared = frontStiff(z) / both(z);
        check(alone(m * shared, front, hf(z)), z, 'front');
        check(alone(m * (1 - shared), second, hs(z)), z, 'second');
      }
    }
  }
  const deflection = line.y.at(-1)!;
  return {
    deflection,
    stiffness: force / deflection,
    curve: zs.map((z, i) => ({ z, y: line.y[i]! })),
    slope: line.slope,
    stress: worst,
    contact,
  };
}
