import { bendPost, type Fixing, type PostBend, type PostBuild } from './bend';
import { STRESS_KEPT, WOOD_DIFFERS, type Wood } from './wood';

/**
 * How it stands: rammed into the ground, which gives way to some depth, or between brackets on a base, deep in front and
 * shallow behind, so that it is springier away from the user than back (F 46, common practice, no source).
 */
export type PostFoot = { kind: 'ground' } | { kind: 'base'; front: number; rear: number };

/** A post for somebody: all lengths in metres. */
export interface Post {
  /** The upper end of its front board above the floor: the solar plexus of who uses it, standing. */
  top: number;
  /** Where it is struck, in stance. */
  blow: number;
  /** The second board’s upper end above the floor. */
  second: number;
  breadth: number;
  /** Thickness of each board at the floor, and at its top. */
  thickness: number;
  thin: number;
  fixing: Fixing;
  foot: PostFoot;
  wood: Wood;
}

/** Ours, without source: the plexus stands at .70 of stature, and sinks by .07 of it in stance. */
export const PLEXUS = 0.7;
export const SINKS = 0.07;
/** The second board goes to two thirds of the first (F 46, common practice, no source). */
export const SECOND = 2 / 3;
/** Ours: a post in the ground is as deep as half of what stands above it, and is held from 10 cm under the surface. */
export const DEEP = 1 / 2;
export const GRIP = 0.1;

const cm = (m: number): number => Math.round(m * 100) / 100;

/** Heights for somebody so tall, in metres; the plexus as it was measured, or by the table. */
export function heightsFor(
  stature: number,
  plexus: number | null = null,
): { top: number; blow: number; second: number } {
  const top = cm(plexus ?? PLEXUS * stature);
  return { top, blow: cm(top - SINKS * stature), second: cm(top * SECOND) };
}

/** How deep the first board goes into the ground. */
export const depthOf = (p: Post): number => cm(p.top * DEEP);

/** A post as it is bent, held so far below the floor (negative: above it, where brackets end). */
export function buildOf(p: Post, held: number, modulus = p.wood.modulus): PostBuild {
  const board = (to: number) => ({
    breadth: p.breadth,
    thickness: p.thickness,
    top: p.thin,
    length: to + held,
  });
  const second = p.second + held;
  return {
    front: board(p.top),
    second: second > 0.05 ? board(p.second) : null,
    fixing: p.fixing,
    modulus,
    strength: p.wood.strength,
  };
}

/** How far below the floor it is held, away from the user, and how far off that may be either way. */
const holdOf = (p: Post): { held: number; off: number } =>
  p.foot.kind === 'ground' ? { held: GRIP, off: GRIP } : { held: -p.foot.rear, off: 0.02 };

/** What a push does: the best guess, and between what it lies. */
export interface Pushed {
  best: PostBend;
  /** The stiffest and the softest it may be: wood differs by a fifth, the ground holds from the surface to 20 cm under it. */
  stiffest: PostBend;
  softest: PostBend;
  /** How far below the floor the best guess is held, in metres. */
  held: number;
  heldStiffest: number;
  heldSoftest: number;
}

/** A steady push (newton) at the height of the blow, with its range. `known` is what a pull test said of the timber. */
export function push(p: Post, force: number, known: PullTest | null = null): Pushed {
  const { held, off } = holdOf(p);
  const best = bendPost(buildOf(p, held, known?.modulus), p.blow + held, force);
  if (known) {
    // The pull was at this very post: what is left is how well it was read.
    const scale = (by: number) => bendPost(buildOf(p, held, known.modulus * by), p.blow + held, force);
    return {
      best,
      stiffest: scale(known.high / known.modulus),
      softest: scale(known.low / known.modulus),
      held,
      heldStiffest: held,
      heldSoftest: held,
    };
  }
  const m = p.wood.modulus;
  return {
    best,
    stiffest: bendPost(buildOf(p, held - off, m * (1 + WOOD_DIFFERS)), p.blow + held - off, force),
    softest: bendPost(buildOf(p, held + off, m * (1 - WOOD_DIFFERS)), p.blow + held + off, force),
    held,
    heldStiffest: held - off,
    heldSoftest: held + off,
  };
}

/** The way back, towards the user: on a base its brackets in front hold it from higher up. In newton a metre. */
export function stiffnessBack(p: Post): number {
  const held = p.foot.kind === 'ground' ? GRIP : -p.foot.front;
  return bendPost(buildOf(p, held), p.blow + held, 100).stiffness;
}

/** The same post with second boards of other heights, as shares of the first: a row to choose from. */
export const SECOND_SHARES = [1 / 3, 1 / 2, 2 / 3, 5 / 6, 1] as const;
export const secondRow = (p: Post, known: PullTest | null = null): { share: number; stiffness: number }[] =>
  SECOND_SHARES.map((share) => ({
    share,
    stiffness: push({ ...p, second: p.top * share }, 300, known).best.stiffness,
  }));

/** Whether no more of breaking is used than is kept to; if not, the thinnest boards in whole millimetres that do. */
export function holds(p: Post, force: number): { holds: boolean; thickness: number | null } {
  const stress = (t: number) =>
    push({ ...p, thickness: t, thin: (p.thin / p.thickness) * t }, force).best.stress.pascal;
  const most = p.wood.strength * STRESS_KEPT;
  if (stress(p.thickness) <= most) return { holds: true, thickness: null };
  for (let mm = Math.ceil(p.thickness * 1000) + 1; mm <= 120; mm += 1)
    if (stress(mm / 1000) <= most) return { holds: false, thickness: mm / 1000 };
  return { holds: false, thickness: null };
}

/** What a hanging scale said: the stiffness of the timber worked back from it, in pascal, with its range. */
export interface PullTest {
  modulus: number;
  low: number;
  high: number;
}

/**
 * The timber’s stiffness worked back from a pull (newton) at the height of the blow that moved it by so many metres, read
 * to so many metres either way: deflection is in proportion to one over it. The ground is taken as it is reckoned, so that
 * the number stands for wood and ground together. Nothing that does not move, or is read no better than it moves, says
 * anything: null.
 */
export function fromPull(p: Post, force: number, moved: number, readTo = 0.003): PullTest | null {
  if (!(moved > 2 * readTo) || !(force > 0)) return null;
  const { held } = holdOf(p);
  const reckoned = bendPost(buildOf(p, held), p.blow + held, force).deflection;
  const modulus = (p.wood.modulus * reckoned) / moved;
  return {
    modulus,
    low: (p.wood.modulus * reckoned) / (moved + readTo),
    high: (p.wood.modulus * reckoned) / (moved - readTo),
  };
}

/** Springy enough to begin on and stiff enough to come back: from so many to so many newton a millimetre (ours, no source). */
export const STIFFNESS_ACCEPTED = { lo: 3, hi: 10 } as const;
export const STIFFNESS_WANTED = { lo: 4, hi: 7 } as const;

/** What is cut and bought for it: a line each, lengths in metres, sections in millimetres. */
export interface CutLine {
  what: string;
  size: string;
  how: string;
}

/** The list of what to cut. */
export function cutList(p: Post): CutLine[] {
  const mm = (m: number) => Math.round(m * 1000);
  const m = (x: number) => `${x.toFixed(2)} m`;
  const below = p.foot.kind === 'ground' ? depthOf(p) : 0;
  const section = `${mm(p.breadth)} × ${mm(p.thickness)}`;
  const planed = p.thin < p.thickness ? `planed to ${mm(p.thin)} at its top` : 'even all along';
  return [
    { what: 'Front board', size: `${p.wood.name}, ${m(p.top + below)} × ${section}`, how: planed },
    { what: 'Second board', size: `${p.wood.name}, ${m(p.second + below)} × ${section}`, how: planed },
    ...(p.fixing === 'joined'
      ? [{ what: 'Cord', size: '6 mm, 10.5 m', how: 'three lashings of ten turns' }]
      : p.fixing === 'glued'
        ? [{ what: 'Glue', size: 'for outdoors', how: 'pressed until it is hard' }]
        : []),
    { what: 'Pad', size: 'felt, 110 × 280 mm', how: 'leather over it; no tape: it wears and cuts' },
    ...(p.foot.kind === 'ground'
      ? [{ what: 'Stones', size: 'eight, the size of a fist and more', how: 'rammed round it, dry' }]
      : [
          { what: 'Base', size: 'a sheet of 4 × 8 ft with four beams of 2 × 4 in along it', how: 'on an even floor' },
          {
            what: 'Brackets',
            size: `${mm(p.foot.front)} mm in front, ${mm(p.foot.rear)} mm behind`,
            how: 'bolted through the beams',
          },
        ]),
  ];
}
