import type { BodySide, Sequence, Step } from '../sequence/move';
import { familyOf } from '../sequence/notation/vocabulary';
import { fold } from '../units/fold';
import { grown, NO_ROOM } from './box';
import type { At, Body, Spot, Trace } from './ground';
import { isWhere } from './isWhere';
import { SHARE } from './share';
import { commonStance, NATURAL, type StanceGeometry } from './stance';

export type { At, Body, FootSpot, Spot, Trace } from './ground';

/** Length of one sliding step for a stature of 1.70 m, in metres (10–15 cm; common practice, no source). */
const SLIDE = 0.125;

const rad = (d: number) => (d * Math.PI) / 180;
export const turnBy = (heading: number, degrees: number): number => (((heading + degrees) % 360) + 360) % 360;
const ahead = (heading: number): Spot => ({ x: Math.sin(rad(heading)), y: Math.cos(rad(heading)) });
const toRight = (heading: number): Spot => ({ x: Math.cos(rad(heading)), y: -Math.sin(rad(heading)) });
const plus = (p: Spot, v: Spot, k: number): Spot => ({ x: p.x + v.x * k, y: p.y + v.y * k });
const along = (p: Spot, from: Spot, v: Spot) => (p.x - from.x) * v.x + (p.y - from.y) * v.y;
const other = (s: BodySide): BodySide => (s === 'left' ? 'right' : 'left');
const sign = (s: BodySide) => (s === 'right' ? 1 : -1);
const distance = (a: Spot, b: Spot) => Math.hypot(a.x - b.x, a.y - b.y);

/** The school's geometry of a stance, or the common one, or null if nobody knows it. */
export const stanceGeometry = (name: string, body: Body): StanceGeometry | null =>
  body.stances?.(name) ?? commonStance(name) ?? commonStance(`${fold(name)} stance`);

export function reachOf(step: Step, body: Body): number {
  const arm = (SHARE.upperArm + SHARE.forearm + SHARE.hand / 2) * body.stature;
  const half = (SHARE.shoulderBreadth / 2) * body.stature;
  return step.actions.reduce((most, a) => {
    const family = familyOf(a);
    const own =
      family === 'foot'
        ? SHARE.hipHeight * body.stature
        : family === 'weapon'
          ? arm + (body.weapon ?? 0) / 2
          : family === 'hand'
            ? arm
            : half;
    return Math.max(most, own);
  }, half);
}

/** The foot that kicks in this count, if one does. */
export const kicker = (step: Step): BodySide | null => {
  const kick = step.actions.find((a) => a.kind === 'kick' && (a.side === 'left' || a.side === 'right'));
  return kick ? (kick.side as BodySide) : null;
};

/**
 * Follows both feet of lane A (or the given steps) through a sequence: after every count the feet, the facing, the
 * weight and the body's centre, which stands over the feet as the weight is shared (principle of moments). A kicking
 * foot that is not set down stays in the air until the next count. An unknown stance keeps the feet of the one before.
 */
export function traceFloor(seq: Sequence | readonly Step[], body: Body): Trace {
  const steps = 'moves' in seq ? seq.moves.map((m) => m.step) : seq;
  const ways = waysBefore.get(body) ?? [];
  const was = nearest(ways, steps);
  const way = was && isSame(was.steps, steps) ? was : gone(steps, body, was);
  waysBefore.set(body, [way, ...ways.filter((w) => w !== way)].slice(0, MOST_WAYS));
  return way.trace;
}

/** A way that was gone over the floor: where each of its steps led, and the room taken by then. */
interface Way {
  steps: readonly Step[];
  trace: Trace;
  room: readonly Trace['box'][];
}

/** Ways gone by a body, the last first: while a count is typed, those before and after it are not gone through again. */
const waysBefore = new WeakMap<Body, readonly Way[]>();
/** Two texts in turn, each with two lanes. */
const MOST_WAYS = 4;

/** The way that has most steps at the same places. */
function nearest(ways: readonly Way[], steps: readonly Step[]): Way | null {
  let [best, most] = [null as Way | null, 0];
  for (const way of ways) {
    let alike = 0;
    for (let i = 0; i < steps.length; i++) if (steps[i] === way.steps[i]) alike += 1;
    if (alike > most) [best, most] = [way, alike];
  }
  return best;
}

const isSame = (a: readonly Step[], b: readonly Step[]): boolean =>
  a.length === b.length && a.every((s, i) => s === b[i]);

/** Goes a way: what it shares with one that was gone is taken from there. */
function gone(steps: readonly Step[], body: Body, was: Way | null): Way {
  const sb = SHARE.shoulderBreadth * body.stature;
  const start = was?.trace.start ?? startOf(sb);
  const geometries = new Map<string, StanceGeometry | null>();
  const geometryOf = (name: string) => {
    let found = geometries.get(name);
    if (found === undefined) geometries.set(name, (found = stanceGeometry(name, body)));
    return found;
  };
  const at: At[] = [];
  const room: Trace['box'][] = [];
  let taken = grown(NO_ROOM, start, body);
  // Whether body and feet stand where they stood on the other way, and whether they did so at every count till then.
  let [here, always] = [true, true];
  for (let i = 0; i < steps.length; i++) {
    const step = steps[i]!;
    const there = was?.trace.at[i];
    const now =
      here && there && was.steps[i] === step ? there : takeStep(at[i - 1] ?? start, step, body, sb, geometryOf);
    here = there !== undefined && (now === there || isWhere(now, there));
    always &&= here;
    at.push(here ? there! : now);
    taken = always ? was!.room[i]! : grown(taken, now, body);
    room.push(taken);
  }
  const end = at.at(-1) ?? start;
  const off = end.heading > 180 ? end.heading - 360 : end.heading;
  const trace: Trace = {
    start,
    at,
    body: {
      stature: body.stature,
      shoulderBreadth: sb,
      footLength: SHARE.footLength * body.stature,
      reach: at.reduce((most, a) => Math.max(most, a.reach), (SHARE.shoulderBreadth / 2) * body.stature),
    },
    box: taken,
    closing: { distance: distance(end.centre, start.centre), east: end.centre.x, north: end.centre.y, degrees: off },
  };
  return { steps, trace, room };
}

function startOf(sb: number): At {
  const half = NATURAL.width / 2;
  return {
    left: { x: -half * sb, y: 0, angle: 0 },
    right: { x: half * sb, y: 0, angle: 0 },
    heading: 0,
    lead: null,
    stance: null,
    weightStart: 50,
    weightEnd: 50,
    centre: { x: 0, y: 0 },
    shift: 0,
    sink: 0,
    moved: [],
    lifted: null,
    path: [],
    reach: 0,
  };
}

function takeStep(
  before: At,
  step: Step,
  body: Body,
  sb: number,
  geometryOf: (name: string) => StanceGeometry | null,
): At {
  const heading = turnBy(before.heading, step.turn?.degrees ?? 0);
  const f = ahead(heading);
  const r = toRight(heading);
  let stance = step.stance ?? before.stance;
  const geometry = (name: string | null): StanceGeometry => (name === null ? null : geometryOf(name)) ?? NATURAL;
  const feet: Record<BodySide, Spot> = { left: before.left, right: before.right };
  const moved = new Set<BodySide>();
  let lead = before.lead;
  let path: Spot[] = [];
  const kicking = kicker(step);
  const foot = step.foot;
  if (foot?.way === 'draw') {
    stance = step.stance ?? 'ready stance';
    const g = geometry(stance);
    const stays = other(foot.side);
    feet[foot.side] = plus(feet[stays], r, sign(foot.side) * g.width * sb);
    moved.add(foot.side);
    lead = null;
  } else if (foot && foot.way === 'slide') {
    const way = ahead(heading + foot.toward);
    const far = (SLIDE * body.stature) / 1.7;
    feet.left = plus(feet.left, way, far);
    feet.right = plus(feet.right, way, far);
    moved.add(foot.side).add(other(foot.side));
    if (step.lead) lead = step.lead;
  } else if (foot && foot.way === 'hop') {
    // Off the foot that stands, landing on the one that is named.
    feet[foot.side] = plus(feet[foot.side], ahead(heading + foot.toward), (SLIDE * body.stature) / 1.7);
    moved.add(foot.side);
    if (step.lead) lead = step.lead;
  } else if (foot && foot.way === 'jump') {
    const way = ahead(heading + foot.toward);
    feet.left = plus(feet.left, way, sb);
    feet.right = plus(feet.right, way, sb);
    moved.add('left').add('right');
    lead = step.lead ?? lead ?? foot.side;
    const g = geometry(stance);
    feet[lead] = plus(plus(feet[other(lead)], f, g.length * sb), r, sign(lead) * g.width * sb);
  } else if (foot && foot.way === 'cross') {
    const stays = other(foot.side);
    const g = geometry('cross stance');
    const behind = Math.abs(foot.toward) > 90 ? -1 : 1;
    feet[foot.side] = plus(plus(feet[stays], f, behind * g.length * sb), r, sign(foot.side) * g.width * sb);
    moved.add(foot.side);
    stance = step.stance ?? 'cross stance';
    lead = behind > 0 ? foot.side : stays;
  } else if (foot) {
    const stays = other(foot.side);
    const g = geometry(stance);
    const goesBack = Math.abs(foot.toward) > 90;
    lead = step.lead ?? (goesBack ? stays : foot.side);
    const forward = lead === foot.side ? 1 : -1;
    const even = g.length === 0;
    // A step aside or at an angle: the same stance, laid out along the way of the step.
    const turned = even ? 0 : goesBack ? foot.toward - Math.sign(foot.toward) * 180 : foot.toward;
    const f2 = ahead(heading + turned);
    const r2 = toRight(heading + turned);
    const width = even && Math.abs(foot.toward) !== 90 ? Math.min(g.width, 1) : g.width;
    const to = plus(plus(feet[stays], f2, forward * g.length * sb), r2, sign(foot.side) * width * sb);
    path = pathOf(feet[foot.side], to, feet[stays], step.turn?.by === 'swing');
    feet[foot.side] = to;
    moved.add(foot.side);
    if (even) lead = step.lead;
  } else {
    if (step.turn && geometry(stance).length === 0) {
      // Side by side one turns on the spot: both feet go round the middle between them.
      const middle = { x: (feet.left.x + feet.right.x) / 2, y: (feet.left.y + feet.right.y) / 2 };
      const half = distance(feet.left, feet.right) / 2;
      if (geometry(before.stance).length === 0) {
        feet.left = plus(middle, r, -half);
        feet.right = plus(middle, r, half);
      }
    }
    if (step.turn) {
      const gap = along(feet.right, feet.left, f);
      lead = step.lead ?? (Math.abs(gap) < 0.25 * sb ? null : gap > 0 ? 'right' : 'left');
      moved.add('left').add('right');
    }
    if (step.stance !== null) {
      if (step.lead) lead = step.lead;
      const laid = layFeet(feet, lead, geometry(stance), f, r, sb);
      for (const side of ['left', 'right'] as const) {
        if (distance(laid[side], feet[side]) > 0.02) moved.add(side);
        feet[side] = laid[side];
      }
      if (geometry(stance).length === 0) lead = step.lead;
    }
  }
  const g = geometry(stance);
  // A foot that was in the air and is not moved now is set down where it was.
  const lifted = kicking && foot?.side !== kicking ? kicking : null;
  const usual = lead === null ? 50 : lead === 'left' ? g.leadWeight : 100 - g.leadWeight;
  const standing = lifted === 'left' ? 0 : lifted === 'right' ? 100 : usual;
  const touched =
    foot !== null || step.turn !== null || step.stance !== null || before.lifted !== null || lifted !== null;
  const weightEnd = step.weight?.end ?? (touched ? standing : before.weightEnd);
  const weightStart = step.weight?.start ?? before.weightEnd;
  const angle = (side: BodySide) =>
    turnBy(heading, sign(side) * (lead === null ? g.leadTurn : lead === side ? g.leadTurn : g.rearTurn));
  const centre = {
    x: (feet.left.x * weightEnd + feet.right.x * (100 - weightEnd)) / 100,
    y: (feet.left.y * weightEnd + feet.right.y * (100 - weightEnd)) / 100,
  };
  const turnsFeet = foot !== null || step.turn !== null || step.stance !== null;
  return {
    left: { ...feet.left, angle: turnsFeet ? angle('left') : before.left.angle },
    right: { ...feet.right, angle: turnsFeet ? angle('right') : before.right.angle },
    heading,
    lead,
    stance,
    weightStart,
    weightEnd,
    centre,
    shift: distance(centre, before.centre),
    sink: lifted ? before.sink : g.sink + (step.level === 'sink' ? 0.03 : step.level === 'rise' ? -0.03 : 0),
    moved: (['left', 'right'] as const).filter((side) => moved.has(side)),
    lifted,
    path,
    reach: reachOf(step, body),
  };
}

/** Shares of a stance's length between which what stands already counts as that stance, and is only set on its tracks. */
const LONG_ENOUGH = { least: 0.6, most: 1.5 };

/**
 * The feet of a stance that is taken where one stands, without a step. The forward foot goes: onto its track where the
 * feet are about as far apart as the stance is long (from back to front stance it moves across, not forward; common
 * practice, no source), otherwise to the stance's own length. Feet side by side: the foot that was forward comes level
 * with the other; where neither was, both go out alike. Where nobody says which foot leads, the feet stay.
 */
function layFeet(
  feet: Readonly<Record<BodySide, Spot>>,
  lead: BodySide | null,
  g: StanceGeometry,
  f: Spot,
  r: Spot,
  sb: number,
): Record<BodySide, Spot> {
  if (lead === null) {
    if (g.length !== 0) return { ...feet };
    const middle = { x: (feet.left.x + feet.right.x) / 2, y: (feet.left.y + feet.right.y) / 2 };
    const half = (g.width * sb) / 2;
    return { left: plus(middle, r, -half), right: plus(middle, r, half) };
  }
  const stays = other(lead);
  const depth = along(feet[lead], feet[stays], f);
  const long = g.length * sb;
  const keeps = g.length !== 0 && depth >= LONG_ENOUGH.least * long && depth <= LONG_ENOUGH.most * long;
  const to = plus(plus(feet[stays], f, keeps ? depth : long), r, sign(lead) * g.width * sb);
  return lead === 'left' ? { left: to, right: feet.right } : { left: feet.left, right: to };
}

/** A swung foot goes the standing one, the short way; any other goes straight. */
function pathOf(from: Spot, to: Spot, pivot: Spot, swings: boolean): Spot[] {
  if (!swings) return [{ x: from.x, y: from.y }, to];
  const a0 = Math.atan2(from.x - pivot.x, from.y - pivot.y);
  let a1 = Math.atan2(to.x - pivot.x, to.y - pivot.y);
  while (a1 - a0 > Math.PI) a1 -= 2 * Math.PI;
  while (a0 - a1 > Math.PI) a1 += 2 * Math.PI;
  const [r0, r1] = [distance(from, pivot), distance(to, pivot)];
  return Array.from({ length: 9 }, (_, i) => {
    const k = i / 8;
    const [a, r] = [a0 + (a1 - a0) * k, r0 + (r1 - r0) * k];
    return { x: pivot.x + r * Math.sin(a), y: pivot.y + r * Math.cos(a) };
  });
}

/** Whether the centre crossed the middle between the feet in this count: the weight changed over from one foot to the other. */
export const crossesMiddle = (at: Pick<At, 'weightStart' | 'weightEnd'>): boolean =>
  (at.weightStart - 50) * (at.weightEnd - 50) < 0;
