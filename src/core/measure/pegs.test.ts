import { describe, expect, it } from 'vitest';
import type { Place } from '../technique/pose';
import { seeded } from '../units/random';
import { normal } from './testing/builders';
import { FOUND_POINTS, type Found, type FoundPoint } from './found';
import { FOUND_EVENTS, firstFrames, framesAbout, isFoundEvent, pegOf, type FrameSeen } from './pegs';
import { stepAt, type AStep } from './standIn';

const STATURE_PX = 300;

/** What a model would say of a figure that faces right, each point off by so much of the body's height. */
function foundIn(ms: number, step: AStep, off: () => number, facing: 1 | -1 = 1): Found[] {
  const f = stepAt(ms, step);
  const at: Partial<Record<FoundPoint, Place>> = {
    nose: { x: f.head.x + 0.05, y: f.head.y },
    'left hip': f.hip,
    'right hip': f.hip,
    'left shoulder': f.shoulder,
    'right shoulder': f.shoulder,
    'left elbow': f.leftArm.elbow,
    'right elbow': f.rightArm.elbow,
    'left wrist': f.leftArm.wrist,
    'right wrist': f.rightArm.wrist,
    'left knee': f.left.knee,
    'right knee': f.right.knee,
    'left ankle': f.left.ankle,
    'right ankle': f.right.ankle,
  };
  return FOUND_POINTS.map((name) => {
    const p = at[name] ?? f.head;
    return {
      x: 400 + facing * (p.x + off()) * STATURE_PX,
      y: 500 - (p.y + off()) * STATURE_PX,
      sure: 0.7,
    };
  });
}

/** Looks as the app looks: some frames, then those about the events, then says where the pegs may stand. */
function looked(rate: number, ms: number, step: AStep, off: () => number, facing: 1 | -1 = 1) {
  const times = Array.from({ length: Math.round((rate * ms) / 1000) }, (_, i) => (i * 1000) / rate);
  const look = (frame: number): FrameSeen => ({ frame, points: foundIn(times[frame]!, step, off, facing) });
  let seen = firstFrames(times.length).map(look);
  for (let more = framesAbout(FOUND_EVENTS, times.length, seen); more.length > 0;) {
    seen = [...seen, ...more.map(look)].sort((a, b) => a.frame - b.frame);
    more = framesAbout(FOUND_EVENTS, times.length, seen);
  }
  const gaps = FOUND_EVENTS.map((e) => pegOf(e, times, seen));
  return { times, seen, gaps };
}
const exactly = () => 0;

describe('the pegs of a film', () => {
  it('are proposed about the events, whichever way somebody faces, from a share of the frames', () => {
    for (const facing of [1, -1] as const) {
      const step = { footLands: 310, handArrives: 360 };
      const { times, seen, gaps } = looked(240, 900, step, exactly, facing);
      expect(seen.length).toBeLessThan(times.length / 2);
      for (const [i, truth] of [step.footLands, step.handArrives].entries()) {
        const gap = gaps[i]!;
        // A person steps no straight line: the rise is bent, and what is proposed may lie a few frames beside it.
        expect(times[gap.last]! - 15).toBeLessThanOrEqual(truth);
        expect(times[gap.first]! + 15).toBeGreaterThanOrEqual(truth);
      }
    }
  });

  it('hold the event in four of five of generated steps, as a model finds bodies, and are no wider than they must', () => {
    const random = seeded(71);
    const held = [0, 0];
    const wide: number[] = [];
    for (let i = 0; i < 120; i += 1) {
      const step = { footLands: 220 + 200 * random(), handArrives: 220 + 200 * random() };
      const rate = [60, 120, 240][i % 3]!;
      const { times, gaps } = looked(rate, 850, step, () => 0.012 * normal(random), i % 2 === 0 ? 1 : -1);
      for (const [k, truth] of [step.footLands, step.handArrives].entries()) {
        const gap = gaps[k];
        if (!gap) continue;
        wide.push(times[gap.first]! - times[gap.last]!);
        if (times[gap.last]! <= truth && truth <= times[gap.first]!) held[k]! += 1;
      }
    }
    expect(Math.min(...held)).toBeGreaterThanOrEqual(96);
    expect(wide.sort((a, b) => a - b)[Math.floor(wide.length / 2)]).toBeLessThan(60);
  });

  it('are not proposed where nobody moves, or nobody is', () => {
    const still = looked(60, 900, { footLands: 1e9, handArrives: 1e9 }, exactly);
    expect(still.gaps).toEqual([null, null]);
    const times = Array.from({ length: 40 }, (_, i) => i * 16);
    const nobody = firstFrames(40).map((frame) => ({
      frame,
      points: FOUND_POINTS.map(() => ({ x: 1, y: 1, sure: 0 })),
    }));
    expect(FOUND_EVENTS.map((e) => pegOf(e, times, nobody))).toEqual([null, null]);
    expect(framesAbout(FOUND_EVENTS, 40, nobody)).toEqual([]);
    expect(isFoundEvent('the knee drops')).toBe(false);
  });
});
