import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anySequence, written } from '../sequence/testing/builders';
import { swapRoles } from '../sequence/operations/swapRoles';
import { mirror } from '../sequence/operations/mirror';
import { pairFootprint, startApart, threeQuestions, tracePair } from './pair';
import { footprint, hallCapacity } from './room';
import { traceFloor } from './trace';

const body = { stature: 1.7 };
const SB = 0.259 * 1.7;
const feetOf = (text: string) => traceFloor(written(text), body).at.at(-1)!;

// How feet stand in a stance that is taken without a step: common practice, no source.
describe('a stance taken where one stands', () => {
  it('from side by side the named foot goes forward to the stance’s length', () => {
    const front = feetOf('front stance L');
    expect(front.left.y - front.right.y).toBeCloseTo(2 * SB, 9);
    expect(front.right.x - front.left.x).toBeCloseTo(0.8 * SB, 9);
    expect(front).toMatchObject({ lead: 'left', moved: ['left'], weightEnd: 60 });
    const back = feetOf('back stance L');
    expect(back.left.y - back.right.y).toBeCloseTo(1.75 * SB, 9);
    expect(back.left.x).toBeCloseTo(back.right.x, 9);
  });
  it('a straddle stands two breadths wide, from the start and from a front stance', () => {
    const straight = feetOf('straddle stance');
    expect(straight.right.x - straight.left.x).toBeCloseTo(2 * SB, 9);
    expect(straight.moved).toEqual(['left', 'right']);
    const from = feetOf('step L, front stance\nstraddle stance');
    expect(from.right.x - from.left.x).toBeCloseTo(2 * SB, 9);
    expect(from.left.y).toBeCloseTo(from.right.y, 9);
    expect(from.moved).toEqual(['left']);
  });
  it('from a cat stance the front foot goes out to the back stance, the other way it comes in', () => {
    const out = feetOf('step L, cat stance\nback stance L');
    expect(out.left.y - out.right.y).toBeCloseTo(1.75 * SB, 9);
    const back = feetOf('step L, back stance\ncat stance');
    expect(back.left.y - back.right.y).toBeCloseTo(0.8 * SB, 9);
  });
  it('another foot forward is set there', () => {
    const at = feetOf('step L, front stance\nfront stance R');
    expect(at.right.y - at.left.y).toBeCloseTo(2 * SB, 9);
    expect(at.moved).toEqual(['right']);
  });
  it('turning on the spot leaves feet that stand side by side, side by side', () => {
    for (const way of ['R 90', 'L 45', 'R 180']) {
      const at = feetOf(`turn ${way} in place`);
      const h = (at.heading * Math.PI) / 180;
      const [dx, dy] = [at.right.x - at.left.x, at.right.y - at.left.y];
      expect(dx * Math.cos(h) - dy * Math.sin(h)).toBeCloseTo(SB, 9);
      expect(at.lead).toBeNull();
      expect(at.centre.x).toBeCloseTo(0, 9);
    }
  });
});

describe('two on one floor', () => {
  it('stand facing each other, an arm apart; half a long step more where somebody steps in', () => {
    const still = written('punch R | slip L');
    expect(startApart(still, body)).toBeCloseTo(0.44 * 1.7, 9);
    expect(startApart(written('step R, punch R | slip L'), body)).toBeCloseTo(0.44 * 1.7 + SB, 9);
    const { a, b } = tracePair(still, body);
    expect([a.start.heading, b.start.heading]).toEqual([0, 180]);
    expect(b.start.left.x).toBeCloseTo(-a.start.left.x, 9);
  });
  it('a step in brings them together by the way of the centre, a step back apart again', () => {
    const { apart, a } = tracePair(written('step R, front stance, punch R | -\n- | step R back, front stance'), body);
    expect(apart[1]!).toBeCloseTo(apart[0]! - a.at[0]!.centre.y, 2);
    expect(apart[2]!).toBeGreaterThan(apart[1]!);
  });
  it('law: with the roles swapped they are as far apart in every count; so in the mirror', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        if (!s.moves.every((m) => m.partner)) return;
        const own = tracePair(s, body).apart;
        for (const other of [swapRoles(s), mirror(s)])
          for (const [i, d] of tracePair(other, body).apart.entries()) expect(d).toBeCloseTo(own[i]!, 6);
      }),
    );
  });
  it('fewer pairs than half the people fit a hall, and a deeper hall takes more', () => {
    const drill = written('step R, front stance, punch R | step R back, front stance, inner block R');
    const pairs = (depth: number) =>
      hallCapacity({ width: 9, depth }, pairFootprint(tracePair(drill, body)), 'together').people;
    const alone = hallCapacity({ width: 9, depth: 8 }, footprint(traceFloor(drill, body)), 'together').people;
    expect(pairs(8)).toBeGreaterThan(0);
    expect(pairs(8) * 2).toBeLessThan(alone);
    expect(pairs(16)).toBeGreaterThan(pairs(8));
  });
});

// The three questions of a weapon: F 26, common practice, no source.
describe('steps with a weapon', () => {
  const asked = (text: string) => threeQuestions(written(text), { ...body, weapon: 1.8 });
  it('straight forward adds power and leaves no line', () => {
    expect(asked('step R, front stance, slant cut R')).toEqual([
      { count: 1, lane: 'A', left: false, faces: false, power: true },
    ]);
  });
  it('an angle with a turn back to them does all three', () => {
    expect(asked('turn L 20, R foot right 90, front stance, slant cut R')[0]).toMatchObject({
      left: true,
      faces: true,
    });
  });
  it('a cut on the spot does none; turning with it adds power, against it does not', () => {
    expect(asked('slant cut R')[0]).toEqual({ count: 1, lane: 'A', left: false, faces: false, power: false });
    expect(asked('turn L 45 in place, slant cut R')[0]!.power).toBe(true);
    expect(asked('turn R 45 in place, slant cut R')[0]!.power).toBe(false);
  });
  it('between partners from where both stand, in both lanes', () => {
    const rows = asked('slant cut R | step R right, front stance, staff thrust R');
    expect(rows.map((r) => r.lane)).toEqual(['A', 'B']);
    expect(rows[1]!.left).toBe(true);
  });
});

describe('each at their own time', () => {
  it('law: never more than together, for one alone and for pairs', () => {
    fc.assert(
      fc.property(
        anySequence(),
        fc.integer({ min: 2, max: 30 }),
        fc.integer({ min: 2, max: 30 }),
        (s, width, depth) => {
          const takes = s.moves.some((m) => m.partner)
            ? pairFootprint(tracePair(s, body))
            : footprint(traceFloor(s, body));
          const fit = (mode: 'each' | 'together') => hallCapacity({ width, depth }, takes, mode).people;
          expect(fit('each')).toBeLessThanOrEqual(fit('together'));
        },
      ),
    );
  });
});
