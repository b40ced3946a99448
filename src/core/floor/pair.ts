import { partnerSteps } from '../sequence/operations/lane';
import { familyOf } from '../sequence/notation/vocabulary';
import { type Sequence, type Step } from '../sequence/move';
import { footprintOf, type Footprint } from './room';
import { boxOf } from './box';
import { SHARE } from './share';
import { traceFloor, turnBy, type At, type Body, type FootSpot, type Spot, type Trace } from './trace';

/** Both partners on one floor: A begins on the mark and faces north, B stands before A and faces back. */
export interface PairTrace {
  a: Trace;
  /** In A's metres and headings. */
  b: Trace;
  /** From centre to centre: at the start, then after each count. Metres. */
  apart: number[];
  /** The box that holds both. */
  box: Trace['box'];
}

const arm = (body: Body) => (SHARE.upperArm + SHARE.forearm + SHARE.hand) * body.stature;

/**
 * How far from centre to centre partners begin: an arm's length with what is held, and half a long step more where
 * somebody steps in. Common practice, no source.
 */
export function startApart(seq: Sequence, body: Body): number {
  const steps = seq.moves.flatMap((m) => [m.step, ...(m.partner ? [m.partner] : [])]);
  const armed = steps.some((s) => s.actions.some((a) => familyOf(a) === 'weapon'));
  const stepsIn = steps.some((s) => s.foot !== null && s.foot.way !== 'draw' && Math.abs(s.foot.toward) < 60);
  return arm(body) + (armed ? (body.weapon ?? 0) / 2 : 0) + (stepsIn ? SHARE.shoulderBreadth * body.stature : 0);
}

/** B's way as A's floor has it: turned about and set before A. */
function facing(t: Trace, apart: number, body: Body): Trace {
  const spot = <S extends Spot>(p: S): S => ({ ...p, x: -p.x, y: apart - p.y });
  const foot = (p: FootSpot): FootSpot => ({ ...spot(p), angle: turnBy(p.angle, 180) });
  const at = (a: At): At => ({
    ...a,
    left: foot(a.left),
    right: foot(a.right),
    heading: turnBy(a.heading, 180),
    centre: spot(a.centre),
    path: a.path.map(spot),
  });
  const [start, all] = [at(t.start), t.at.map(at)];
  return { ...t, start, at: all, box: boxOf([start, ...all], body) };
}

/** Follows both partners of a drill. Counts in which B has no lane of its own leave B standing. */
export function tracePair(seq: Sequence, body: Body): PairTrace {
  const apart = startApart(seq, body);
  const a = traceFloor(seq, body);
  const b = facing(traceFloor(partnerSteps(seq.moves), body), apart, body);
  const between = (x: At, y: At) => Math.hypot(x.centre.x - y.centre.x, x.centre.y - y.centre.y);
  return {
    a,
    b,
    apart: [between(a.start, b.start), ...a.at.map((x, i) => between(x, b.at[i]!))],
    box: {
      west: Math.min(a.box.west, b.box.west),
      east: Math.max(a.box.east, b.box.east),
      south: Math.min(a.box.south, b.box.south),
      north: Math.max(a.box.north, b.box.north),
    },
  };
}

/** What floor a pair takes; a hall then holds so many pairs. */
export function pairFootprint({ a, b, box }: PairTrace): Footprint {
  const own = footprintOf([a.start, ...a.at, b.start, ...b.at], box, a.body);
  return { ...own, reach: Math.max(a.body.reach, b.body.reach), long: b.start.centre.y - a.start.centre.y };
}

/** What is asked of each step with a weapon (F 26): common practice, no source. */
export interface ThreeQuestions {
  /** 1-based. */
  count: number;
  lane: 'A' | 'B';
  /** The body left the line that the other's attack comes along. */
  left: boolean;
  /** It faces them while they do not face it. */
  faces: boolean;
  /** The step, the turn or a way of power went along with the weapon. */
  power: boolean;
}

/** Out of a line by half a body; facing within so many degrees. */
const OFF_LINE = 0.5;
const FACES = 30;
/** The body came so far into the blow, in shoulder breadths. */
const WITH_IT = 0.25;

const rad = (d: number) => (d * Math.PI) / 180;
const bearing = (from: Spot, to: Spot) => ((Math.atan2(to.x - from.x, to.y - from.y) * 180) / Math.PI + 360) % 360;
const between = (a: number, b: number) => Math.abs(((a - b + 540) % 360) - 180);

interface Stand {
  centre: Spot;
  heading: number;
}

function asked(step: Step, before: At, at: At, foeBefore: Stand, foe: Stand, sb: number) {
  // How far the body stands from the line along which somebody faces.
  const off = (from: Stand) => {
    const h = rad(from.heading);
    return Math.abs((at.centre.x - from.centre.x) * Math.cos(h) - (at.centre.y - from.centre.y) * Math.sin(h));
  };
  const was = rad(at.heading);
  const into = (at.centre.x - before.centre.x) * Math.sin(was) + (at.centre.y - before.centre.y) * Math.cos(was);
  const blow = step.actions.find((a) => familyOf(a) === 'weapon')!;
  // A cut that starts on the right is carried along by a turn to the left.
  const turnsWith =
    step.turn !== null &&
    (blow.side === 'left' ? step.turn.degrees > 0 : blow.side === 'right' && step.turn.degrees < 0);
  return {
    left: off(foeBefore) >= OFF_LINE * sb,
    faces: between(at.heading, bearing(at.centre, foe.centre)) <= FACES && off(foe) >= OFF_LINE * sb,
    power: into >= WITH_IT * sb || turnsWith || step.powers.length > 0,
  };
}

/**
 * The three questions at each count with a weapon: did it leave the line, does it face them while they do not face it, did
 * it add power. Worked out from where both stand; alone, somebody is thought to stand before whoever works, an attack away,
 * facing them, and not to move in that count.
 */
export function threeQuestions(seq: Sequence, body: Body): ThreeQuestions[] {
  const pair = seq.moves.some((m) => m.partner !== null) ? tracePair(seq, body) : null;
  const a = pair?.a ?? traceFloor(seq, body);
  const sb = a.body.shoulderBreadth;
  const apart = startApart(seq, body);
  const armed = (s: Step | null): s is Step => s !== null && s.actions.some((x) => familyOf(x) === 'weapon');
  const out: ThreeQuestions[] = [];
  for (const [i, m] of seq.moves.entries()) {
    const lanes = [['A', m.step, a, pair?.b] as const, ...(pair ? [['B', m.partner, pair.b, pair.a] as const] : [])];
    for (const [lane, step, own, other] of lanes) {
      if (!armed(step)) continue;
      const before = i === 0 ? own.start : own.at[i - 1]!;
      const h = rad(before.heading);
      const imagined: Stand = {
        centre: { x: before.centre.x + apart * Math.sin(h), y: before.centre.y + apart * Math.cos(h) },
        heading: turnBy(before.heading, 180),
      };
      const foeBefore = other ? (i === 0 ? other.start : other.at[i - 1]!) : imagined;
      out.push({
        count: i + 1,
        lane,
        ...asked(step, before, own.at[i]!, foeBefore, other?.at[i] ?? imagined, sb),
      });
    }
  }
  return out;
}
