import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySequence, written } from '../sequence/testing/builders';
import { boxOf } from './box';
import { SHARE } from './share';
import { traceFloor, type At, type Trace } from './trace';

const body = { stature: 1.7 };
const within = (small: Trace['box'], large: Trace['box']) =>
  small.west >= large.west && small.east <= large.east && small.south >= large.south && small.north <= large.north;
const [stood] = traceFloor(written('step L, front stance'), body).at as [At];

describe('the room of a way', () => {
  it('of nothing is nothing', () => {
    expect(boxOf([], body)).toEqual({ west: 0, east: 0, south: 0, north: 0 });
  });

  it('holds every foot whole and the body over it, wherever they were', () => {
    fc.assert(
      fc.property(anySequence(undefined, 1), (seq) => {
        const { at } = traceFloor(seq, body);
        const box = boxOf(at, body);
        const foot = (SHARE.footLength / 2) * body.stature;
        const half = (SHARE.shoulderBreadth / 2) * body.stature;
        for (const a of at)
          for (const [{ x, y }, r] of [
            [a.left, foot],
            [a.right, foot],
            [a.centre, half],
          ] as const)
            expect(within({ west: x - r, east: x + r, south: y - r, north: y + r }, box)).toBe(true);
      }),
    );
  });

  it('never shrinks by a count more, and is the same whichever count came first', () => {
    fc.assert(
      fc.property(anySequence(undefined, 2), fc.nat(), (seq, n) => {
        const { at } = traceFloor(seq, body);
        const some = at.slice(0, 1 + (n % at.length));
        expect(within(boxOf(some, body), boxOf(at, body))).toBe(true);
        expect(boxOf([...at].reverse(), body)).toEqual(boxOf(at, body));
      }),
    );
  });

  it('a limb reaches where the body faces, and nowhere else', () => {
    const bare = boxOf([{ ...stood, reach: 0 }], body);
    for (const [heading, side] of [
      [0, 'north'],
      [90, 'east'],
      [180, 'south'],
      [270, 'west'],
    ] as const) {
      const box = boxOf([{ ...stood, heading, reach: 2 }], body);
      const sign = side === 'north' || side === 'east' ? 1 : -1;
      const from = side === 'north' || side === 'south' ? stood.centre.y : stood.centre.x;
      // Two metres, and a hand's half breadth.
      expect(box[side]).toBeCloseTo(from + sign * 2.05, 9);
      for (const other of (['north', 'east', 'south', 'west'] as const).filter((s) => s !== side))
        expect(box[other]).toBeCloseTo(bare[other], 9);
    }
  });

  it('a taller body takes more of it', () => {
    expect(within(boxOf([stood], { stature: 1.5 }), boxOf([stood], { stature: 1.9 }))).toBe(true);
    expect(within(boxOf([stood], { stature: 1.9 }), boxOf([stood], { stature: 1.5 }))).toBe(false);
  });
});
