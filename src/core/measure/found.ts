import type { Landmark, View } from './body';
import type { Pin, Pins } from './doubt';

/**
 * The points of a body that a pose model finds, in its order (the common seventeen: nose, eyes, ears, shoulders, elbows,
 * wrists, hips, knees, ankles; left before right, as the person has them).
 */
export const FOUND_POINTS = [
  'nose',
  'left eye',
  'right eye',
  'left ear',
  'right ear',
  'left shoulder',
  'right shoulder',
  'left elbow',
  'right elbow',
  'left wrist',
  'right wrist',
  'left hip',
  'right hip',
  'left knee',
  'right knee',
  'left ankle',
  'right ankle',
] as const;
export type FoundPoint = (typeof FOUND_POINTS)[number];

/** A point in the picture’s pixels, with how sure the model is of it, nought to one. */
export interface Found {
  x: number;
  y: number;
  sure: number;
}

export const pointOf = (points: readonly Found[], name: FoundPoint): Found => points[FOUND_POINTS.indexOf(name)]!;

/** Below this a point is no more than a place in the picture. */
const HARDLY = 0.05;
/** At least two points of the legs are as sure as this where somebody is; in pictures of walls none was. */
const SOMEBODY = 0.2;

/**
 * How far off a guess may be, one standard deviation, as a share of the body’s height in the picture: sure ones one to three
 * centimetres of somebody of 1.76 m, as seen on drawn figures; what the model is unsure of may be another limb altogether.
 * Arms that are covered go farther astray.
 */
const off = (sure: number, arm: boolean): number =>
  (sure >= 0.3 ? 0.018 + 0.03 * (1 - Math.min(1, sure)) : 0.039 + 0.3 * (0.3 - sure)) * (arm ? 1.6 : 1);

/** A square of a picture, which may reach beyond it. */
export interface Box {
  x: number;
  y: number;
  side: number;
}

/** The square about a whole picture. */
export function wholeBox(width: number, height: number): Box {
  const side = Math.max(width, height);
  return { x: (width - side) / 2, y: (height - side) / 2, side };
}

/**
 * The square about a body that was found, with a quarter of room; null where too little was found to look nearer, or the
 * body fills the picture as it is.
 */
export function bodyBox(points: readonly Found[], width: number, height: number): Box | null {
  const seen = points.filter((p) => p.sure >= 0.1);
  if (seen.length < 8) return null;
  const [xs, ys] = [seen.map((p) => p.x), seen.map((p) => p.y)];
  const [left, right, top, bottom] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const side = Math.max(right - left, bottom - top) * 1.5;
  return side < 0.9 * Math.max(width, height)
    ? { x: (left + right - side) / 2, y: (top + bottom - side) / 2, side }
    : null;
}

/** The square about all of these; of a film every frame is looked at in the same one, or what stands still seems to move. */
export function boxAbout(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const [left, top] = [Math.min(...boxes.map((b) => b.x)), Math.min(...boxes.map((b) => b.y))];
  const right = Math.max(...boxes.map((b) => b.x + b.side));
  const bottom = Math.max(...boxes.map((b) => b.y + b.side));
  const side = Math.max(right - left, bottom - top);
  return { x: (left + right - side) / 2, y: (top + bottom - side) / 2, side };
}

/** How tall somebody stands in the picture, in pixels: from the ear to the ankle it is nine tenths; null: hardly found. */
export function bodyHeight(points: readonly Found[]): number | null {
  const ys = points.filter((q) => q.sure >= HARDLY).map((q) => q.y);
  const height = (Math.max(...ys) - Math.min(...ys)) / 0.9;
  return height > 20 ? height : null;
}

const earOf = (points: readonly Found[]): Found => {
  const [left, right] = [pointOf(points, 'left ear'), pointOf(points, 'right ear')];
  return left.sure >= right.sure ? left : right;
};

/** Which way somebody faces who is seen from the side: where the nose is, or else where the knees are bent to. 1 to the right. */
export function facingOf(points: readonly Found[]): 1 | -1 {
  const p = (name: FoundPoint) => pointOf(points, name);
  const [ear, nose] = [earOf(points), p('nose')];
  const bent = (p('left knee').x - p('left hip').x + p('right knee').x - p('right hip').x) / 2;
  return (nose.sure >= HARDLY && ear.sure >= HARDLY ? nose.x - ear.x : bent) >= 0 ? 1 : -1;
}

export interface FoundBody {
  pins: Pins;
  facing: 1 | -1;
}

/**
 * What a model found, as guesses for a view; landmarks that it does not know (heels, toes) follow from the table of bodies,
 * a foot being .152 of stature (Winter, from memory). Null: nobody is in the picture as far as it can tell, or the view is
 * from above, where no model finds anybody. What it hardly found is left out: it keeps the guess that stood there.
 */
export function fromFound(view: View, points: readonly Found[]): FoundBody | null {
  const p = (name: FoundPoint): Found => pointOf(points, name);
  if (view === 'above' || points.length < FOUND_POINTS.length) return null;
  const legs = (['left hip', 'right hip', 'left knee', 'right knee', 'left ankle', 'right ankle'] as const).map(p);
  const there = (least: number) => legs.filter((l) => l.sure >= least).length;
  if (there(HARDLY) < 4 || there(SOMEBODY) < 2) return null;
  const height = bodyHeight(points);
  if (height === null) return null;
  const out: Partial<Record<Landmark, Pin>> = {};
  const put = (name: Landmark, at: { x: number; y: number }, sure: number, arm = false, more = 1) => {
    if (sure >= HARDLY) out[name] = { x: at.x, y: at.y, sd: height * off(sure, arm) * more, set: false };
  };
  const middle = (a: Found, b: Found) => {
    const [wa, wb] = [a.sure + 1e-6, b.sure + 1e-6];
    return { x: (a.x * wa + b.x * wb) / (wa + wb), y: (a.y * wa + b.y * wb) / (wa + wb) };
  };
  const surer = (a: Found, b: Found) => Math.max(a.sure, b.sure);
  if (view === 'front') {
    for (const part of ['shoulder', 'elbow', 'hip', 'ankle'] as const)
      for (const side of ['left', 'right'] as const) {
        const f = p(`${side} ${part}`);
        put(`${part} ${side}`, f, f.sure, part === 'elbow');
      }
    put('nose', p('nose'), p('nose').sure);
    return { pins: out, facing: 1 };
  }
  const ear = earOf(points);
  const facing = facingOf(points);
  const front = p('left ankle').x * facing >= p('right ankle').x * facing ? 'left' : 'right';
  const rear = front === 'left' ? 'right' : 'left';
  for (const [leg, place] of [
    [front, 'front'],
    [rear, 'rear'],
  ] as const) {
    const [knee, ankle] = [p(`${leg} knee`), p(`${leg} ankle`)];
    put(`knee ${place}`, knee, knee.sure);
    put(`ankle ${place}`, ankle, ankle.sure);
    const sole = ankle.y + 0.039 * height;
    put(`heel ${place}`, { x: ankle.x - 0.04 * height * facing, y: sole }, ankle.sure, false, 1.3);
    put(`toe ${place}`, { x: ankle.x + 0.112 * height * facing, y: sole }, ankle.sure, false, 1.6);
  }
  put('hip', middle(p('left hip'), p('right hip')), surer(p('left hip'), p('right hip')));
  put('shoulder', middle(p('left shoulder'), p('right shoulder')), surer(p('left shoulder'), p('right shoulder')));
  for (const side of ['left', 'right'] as const)
    for (const part of ['elbow', 'wrist'] as const)
      put(`${part} ${side}`, p(`${side} ${part}`), p(`${side} ${part}`).sure, true);
  put('ear', ear, ear.sure);
  return { pins: out, facing };
}
