import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import {
  fallTime,
  frameRate,
  gapBefore,
  isUneven,
  lapse,
  moveGap,
  nearestSlowed,
  shareBetween,
  shareOfPath,
  slowedByFall,
  widerGap,
  type Gap,
} from './clip';
import { told } from './doubt';

const even = (n: number, rate: number) => Array.from({ length: n }, (_, i) => (i * 1000) / rate);
/** The gap in which an event at `ms` of the clip's clock falls, as an eye that errs nowhere would peg it. */
const seenIn = (times: readonly number[], ms: number): Gap =>
  gapBefore(
    times,
    times.findIndex((t) => t >= ms),
  );

describe('times between two events of a clip', () => {
  it('eleven frames of 240 a second are 46 ms, off by 4 at most; of 60 a second it would be 17', () => {
    const found = lapse(even(200, 240), { last: 131, first: 132 }, { last: 142, first: 143 }, 1);
    expect(found.value).toBeCloseTo((11 * 1000) / 240, 9);
    expect(found.half).toBeCloseTo(1000 / 240, 9);
    expect(lapse(even(200, 60), { last: 131, first: 132 }, { last: 142, first: 143 }, 1).half).toBeCloseTo(
      1000 / 60,
      9,
    );
  });

  it('the truth never lies outside the width, however uneven the frames and however slowed', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 1, max: 60, noNaN: true }), { minLength: 3, maxLength: 120 }),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.double({ min: 0.001, max: 0.999, noNaN: true }),
        fc.constantFrom(1, 4, 8),
        (steps, p, q, slowed) => {
          const times = steps.reduce<number[]>((all, s) => [...all, all.at(-1)! + s], [0]);
          const [a, b] = [p * times.at(-1)!, q * times.at(-1)!];
          const found = lapse(times, seenIn(times, a), seenIn(times, b), slowed);
          expect(Math.abs(found.value - (b - a) / slowed)).toBeLessThanOrEqual(found.half + 1e-9);
        },
      ),
    );
  });

  it('turned about, the sign turns; not sure is wider and never narrower', () => {
    const times = even(60, 120);
    const [a, b] = [gapBefore(times, 20), gapBefore(times, 31)];
    expect(lapse(times, b, a, 1).value).toBeCloseTo(-lapse(times, a, b, 1).value, 9);
    const wide = lapse(times, widerGap(times, a), b, 1);
    expect(wide.value).toBeCloseTo(lapse(times, a, b, 1).value, 9);
    expect(wide.half).toBeCloseTo(2 * lapse(times, a, b, 1).half, 9);
  });

  it('pegs stay inside the clip and as wide as they are', () => {
    const times = even(5, 30);
    expect(gapBefore(times, 0)).toEqual({ last: 0, first: 1 });
    expect(gapBefore(times, 99)).toEqual({ last: 3, first: 4 });
    expect(moveGap(times, { last: 1, first: 3 }, 9)).toEqual({ last: 2, first: 4 });
    expect(moveGap(times, { last: 1, first: 3 }, -9)).toEqual({ last: 0, first: 2 });
    expect(widerGap(times, { last: 0, first: 4 })).toEqual({ last: 0, first: 4 });
  });

  it('says what it cannot tell: a width across an edge', () => {
    expect(told({ value: 46, half: 4 }, { lo: -100, hi: 100 })).toBe('accepted');
    expect(told({ value: 46, half: 17 }, { lo: -40, hi: 40 })).toBe('cannot tell');
    expect(told({ value: 146, half: 17 }, { lo: -100, hi: 100 })).toBe('out');
  });

  it('reads the rate from the frames, and whether they come unevenly', () => {
    expect(frameRate(even(30, 240), 1)).toBeCloseTo(240, 6);
    expect(frameRate(even(30, 30), 8)).toBeCloseTo(240, 6);
    // As files keep them, in whole milliseconds.
    expect(frameRate(even(97, 240).map(Math.round), 1)).toBeCloseTo(240, 0);
    expect(frameRate([0], 1)).toBeNull();
    expect(isUneven(even(30, 60))).toBe(false);
    expect(isUneven([0, 16, 33, 50, 100, 116])).toBe(true);
  });
});

describe('how slow a clip plays, by a ball that falls', () => {
  // Free fall, s = g t² / 2 (any book of mechanics): 1 m takes 0.4516 s.
  it('a metre takes 452 ms; four times as far takes twice as long', () => {
    expect(Math.round(fallTime(1))).toBe(452);
    expect(fallTime(4)).toBeCloseTo(2 * fallTime(1), 9);
  });

  it('finds the factor of a clip from any height, within what the frames can tell', () => {
    for (const slowed of [1, 2, 4, 8] as const)
      for (const metres of [0.5, 1, 1.8]) {
        const times = even(400 * slowed, 30);
        const at = 700;
        const found = slowedByFall(times, seenIn(times, at), seenIn(times, at + fallTime(metres) * slowed), metres)!;
        expect(nearestSlowed(found)).toBe(slowed);
      }
    expect(slowedByFall(even(9, 30), gapBefore([0, 1, 2, 3, 4, 5], 4), gapBefore([0, 1, 2, 3, 4, 5], 2), 1)).toBeNull();
    expect(nearestSlowed(5.6)).toBeNull();
  });
});

describe('share of a path at an event', () => {
  it('is nought where it began, all where it ended, and goes past both', () => {
    const [from, to] = [
      { x: 100, y: 50 },
      { x: 500, y: 350 },
    ];
    expect(shareOfPath(from, to, from, 2)!.value).toBeCloseTo(0, 9);
    expect(shareOfPath(from, to, to, 2)!.value).toBeCloseTo(100, 9);
    expect(shareOfPath(from, to, { x: 300, y: 200 }, 2)!.value).toBeCloseTo(50, 9);
    // Beside the path is beside it, not farther along.
    expect(shareOfPath(from, to, { x: 300 - 30, y: 200 + 40 }, 2)!.value).toBeCloseTo(50, 9);
    expect(shareOfPath(from, from, to, 2)).toBeNull();
  });

  it('holds the truth in 85 to 95 of 100, at every share', () => {
    const random = seeded(11);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    for (const truth of [0.1, 0.5, 0.8, 1]) {
      let within = 0;
      for (let i = 0; i < 2000; i += 1) {
        const off = 5;
        const thumb = (x: number, y: number) => ({ x: x + off * normal(), y: y + off * normal() });
        const found = shareOfPath(thumb(0, 0), thumb(300, 120), thumb(300 * truth, 120 * truth), off)!;
        if (Math.abs(found.value - truth * 100) <= found.half) within += 1;
      }
      expect(within / 2000).toBeGreaterThan(0.85);
      expect(within / 2000).toBeLessThan(0.95);
    }
  });

  it('a share at an event between two frames lies in the middle of both, in 85 to 95 of 100 within its width', () => {
    const random = seeded(77);
    const normal = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const thumb = (share: number) => ({ x: 300 * share + 2 * normal(), y: 120 * share + 2 * normal() });
    let within = 0;
    for (let i = 0; i < 1000; i += 1) {
      const [last, step] = [0.3 + 0.5 * random(), 0.02 + 0.1 * random()];
      const truth = last + step * random();
      const [from, to] = [thumb(0), thumb(1)];
      const at = (share: number) => shareOfPath(from, to, thumb(share), 2)!;
      const told = shareBetween(at(last), at(last + step));
      if (Math.abs(told.value - 100 * truth) <= told.half) within += 1;
    }
    expect(within / 1000).toBeGreaterThanOrEqual(0.85);
    expect(within / 1000).toBeLessThanOrEqual(0.96);
  });
});
