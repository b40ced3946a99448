import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { anyMove, anySequence, written } from '../sequence/testing/builders';
import { mirror } from '../sequence/operations/mirror';
import { layoutFloor, runs } from './plan';
import { fitRoom, footprint, hallCapacity } from './room';
import { boxOf } from './box';
import { SHARE } from './share';
import { crossesMiddle, traceFloor, turnBy } from './trace';

const body = { stature: 1.7 };
const SB = 0.259 * 1.7;

describe('feet on the floor', () => {
  // Shares of stature: Winter, Biomechanics and Motor Control of Human Movement, figure of body segments, after Drillis & Contini 1966 (from memory).
  it('scales with the body: shoulder breadth .259, foot .152 of stature', () => {
    expect(SHARE.shoulderBreadth).toBe(0.259);
    expect(SHARE.footLength).toBe(0.152);
    const t = traceFloor(written('step L, front stance'), body);
    const small = traceFloor(written('step L, front stance'), { stature: 0.85 });
    expect(t.at[0]!.left.y).toBeCloseTo(2 * SB, 9);
    expect(small.at[0]!.left.y * 2).toBeCloseTo(t.at[0]!.left.y, 9);
    expect(t.body.footLength).toBeCloseTo(0.152 * 1.7, 12);
  });

  it('a front stance stands on two tracks, a back stance on one line (F 12, F 14, common practice, no source)', () => {
    const [front] = traceFloor(written('step L, front stance'), body).at;
    expect(front!.right.x - front!.left.x).toBeCloseTo(0.8 * SB, 9);
    const [back] = traceFloor(written('step L, back stance'), body).at;
    expect(back!.right.x - back!.left.x).toBeCloseTo(0, 9);
    expect(back!.weightEnd).toBe(30);
  });

  // Principle of moments: the body's centre over x between two feet at 0 and L: the far foot carries x/L.
  it('the centre stands where the weight puts it', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 100 }), (share) => {
        const [at] = traceFloor(written(`step R, front stance, weight ${share}/${100 - share}`), body).at;
        const whole = Math.hypot(at!.left.x - at!.right.x, at!.left.y - at!.right.y);
        const fromRight = Math.hypot(at!.centre.x - at!.right.x, at!.centre.y - at!.right.y);
        expect(fromRight / whole).toBeCloseTo(share / 100, 9);
      }),
    );
  });

  it('a turn by swing goes round the standing foot, one across goes straight, both end alike', () => {
    const swing = traceFloor(written('step L, front stance\nturn R 180, R foot, front stance'), body).at[1]!;
    const cross = traceFloor(written('step L, front stance\nturn R 180, R foot across, front stance'), body).at[1]!;
    expect(swing.right).toEqual(cross.right);
    expect(swing.path.length).toBeGreaterThan(2);
    expect(cross.path).toHaveLength(2);
    const pivot = swing.left;
    const first = traceFloor(written('step L, front stance'), body).at[0]!.right;
    const radius = Math.hypot(first.x - pivot.x, first.y - pivot.y);
    for (const p of swing.path) expect(Math.hypot(p.x - pivot.x, p.y - pivot.y)).toBeLessThan(radius * 1.2);
  });

  it('a shift from back to front stance carries the centre over the middle; the front foot goes across, not forward (F 14)', () => {
    const [back, front] = traceFloor(written('step L, back stance\nshift, front stance'), body).at;
    expect(crossesMiddle(front!)).toBe(true);
    expect(front!.left.y).toBeCloseTo(back!.left.y, 9);
    expect(front!.left.x).toBeLessThan(back!.left.x - 0.1);
    expect(front!.moved).toEqual(['left']);
    const held = traceFloor(written('step L, back stance\nshift, front stance, weight 45/55'), body).at[1]!;
    expect(crossesMiddle(held)).toBe(false);
  });

  it('is the same while counts are typed as read from nothing', () => {
    const whole = { stature: 1.62 };
    fc.assert(
      fc.property(
        anySequence(undefined, 2),
        fc.array(anyMove, { minLength: 1, maxLength: 3 }),
        fc.nat(),
        fc.constantFrom('instead', 'before', 'away'),
        (seq, typed, n, how) => {
          traceFloor(seq, whole);
          const at = n % seq.moves.length;
          for (const move of typed) {
            const moves = seq.moves.toSpliced(at, how === 'before' ? 0 : 1, ...(how === 'away' ? [] : [move]));
            const next = { ...seq, moves };
            expect(traceFloor(next, whole)).toEqual(traceFloor(next, { ...whole }));
          }
          expect(traceFloor(seq, whole)).toEqual(traceFloor(seq, { ...whole }));
        },
      ),
    );
  });

  it('goes through what follows a count again only where that count ends elsewhere', () => {
    const whole = { stature: 1.7 };
    const ends = 'step R, front stance\nstep L, front stance';
    const one = traceFloor(written(`step L, front stance, punch R\n${ends}`), whole);
    const other = traceFloor(written(`step L, front stance, reverse punch R\n${ends}`), whole);
    const moved = traceFloor(written(`step L, back stance, punch R\n${ends}`), whole);
    expect(other.at.map((at, i) => at === one.at[i])).toEqual([true, true, true]);
    expect(moved.at.map((at, i) => at === one.at[i])).toEqual([false, false, false]);
  });

  it('forgets how far a limb reached that reaches no more, though all that follows is as it was', () => {
    const whole = { stature: 1.7 };
    const [kicked, stood] = ['step L, front stance, front kick R mid', 'step L, front stance'].map((count) =>
      written(`${count}\nR foot across, front stance\nstep L back, front stance`),
    );
    traceFloor(kicked!, whole);
    expect(traceFloor(stood!, whole)).toEqual(traceFloor(stood!, { ...whole }));
    expect(traceFloor(kicked!, whole)).toBe(traceFloor(kicked!, whole));
  });

  it('a kick stands on the other leg until the foot is set down', () => {
    const [kick, step] = traceFloor(written('front kick R\nstep R, front stance'), body).at;
    expect(kick).toMatchObject({ lifted: 'right', weightEnd: 100 });
    expect(step).toMatchObject({ lifted: null, lead: 'right', weightEnd: 40 });
  });

  it('sliding, jumping, stepping aside, drawing in and crossing move the feet they should', () => {
    const at = traceFloor(
      written('step R, guard stance\nslide R\nslide L left\njump R\nstep R right, straddle stance\ndraw L\ncross R'),
      body,
    ).at;
    expect(at[1]!.right.y - at[0]!.right.y).toBeCloseTo(0.125, 9);
    expect(at[2]!.left.x - at[1]!.left.x).toBeCloseTo(-0.125, 9);
    expect(at[3]!.centre.y).toBeGreaterThan(at[2]!.centre.y);
    expect(at[4]!.right.x - at[4]!.left.x).toBeCloseTo(2 * SB, 6);
    expect(at[5]!.right.x - at[5]!.left.x).toBeCloseTo(0.8 * SB, 6);
    expect(at[6]!.right.x).toBeLessThan(at[6]!.left.x);
  });
});

describe('laws of the floor', () => {
  // A closed pattern: turns add up to a multiple of 360° and displacements to zero.
  it('four quarters of a square close', () => {
    const side = 'step L, front stance\nturn R 90, R foot, front stance\n';
    for (const n of [1, 2, 3]) expect(traceFloor(written(side.repeat(n)), body).closing.degrees).not.toBe(0);
    const square = traceFloor(
      written(
        Array.from({ length: 4 }, () => 'step R, natural stance\nstep L, natural stance\nturn R 90 in place').join(
          '\n',
        ),
      ),
      body,
    );
    expect(square.closing.degrees).toBe(0);
    expect(turnBy(270, 90)).toBe(0);
  });

  it('the mirror runs on the mirrored floor', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        const [a, b] = [traceFloor(s, body), traceFloor(mirror(s), body)];
        for (const [i, x] of a.at.entries()) {
          const y = b.at[i]!;
          expect(y.centre.x).toBeCloseTo(-x.centre.x, 6);
          expect(y.centre.y).toBeCloseTo(x.centre.y, 6);
          expect(y.left.x).toBeCloseTo(-x.right.x, 6);
          expect(y.weightEnd).toBe(100 - x.weightEnd);
          expect((x.heading + y.heading) % 360).toBe(0);
        }
      }),
    );
  });

  it('the box holds every foot, and a part’s box lies in the whole’s', () => {
    fc.assert(
      fc.property(anySequence(), (s) => {
        const t = traceFloor(s, body);
        for (const a of t.at)
          for (const f of [a.left, a.right, a.centre]) {
            expect(f.x).toBeGreaterThanOrEqual(t.box.west);
            expect(f.x).toBeLessThanOrEqual(t.box.east);
            expect(f.y).toBeGreaterThanOrEqual(t.box.south);
            expect(f.y).toBeLessThanOrEqual(t.box.north);
          }
        const part = boxOf(t.at.slice(0, 2), body);
        if (t.at.length > 0) expect(part.east).toBeLessThanOrEqual(t.box.east + 1e-9);
      }),
    );
  });
});

describe('halls and rooms', () => {
  const form = written('step L, front stance, punch L\nstep R, front stance, punch R\nstep L, front stance, punch L');

  it('moving together takes reach between people and the way at the walls; each alone the whole box', () => {
    const f = footprint(traceFloor(form, body));
    const hall = { width: 9, depth: 8 };
    const together = hallCapacity(hall, f, 'together');
    const each = hallCapacity(hall, f, 'each');
    expect(together.people).toBeGreaterThan(each.people);
    expect(together.people).toBe(together.rows * together.columns);
    expect(f.width + (together.columns - 1) * together.spacing.across).toBeLessThanOrEqual(9);
    expect(f.width + together.columns * together.spacing.across).toBeGreaterThan(9);
    expect(each.columns * f.width).toBeLessThanOrEqual(9);
    expect(hallCapacity({ width: 0.5, depth: 8 }, f, 'together').people).toBe(0);
  });

  it('more room never takes fewer', () => {
    fc.assert(
      fc.property(
        anySequence(),
        fc.double({ min: 1, max: 20, noNaN: true }),
        fc.constantFrom('together' as const, 'each' as const),
        (s, w, mode) => {
          const f = footprint(traceFloor(s, body));
          const a = hallCapacity({ width: w, depth: w }, f, mode).people;
          expect(hallCapacity({ width: w + 1, depth: w + 1 }, f, mode).people).toBeGreaterThanOrEqual(a);
        },
      ),
    );
  });

  it('says which run of a too large sequence fits, and the run does', () => {
    const long = written(
      Array.from({ length: 8 }, (_, i) => `step ${i % 2 ? 'R' : 'L'}, front stance, punch ${i % 2 ? 'R' : 'L'}`).join(
        '\n',
      ),
    );
    const fit = fitRoom(long, { width: 3, depth: 3 }, body);
    expect(fit.fits).toBe(false);
    expect(fit.longest).not.toBeNull();
    const { from, to } = fit.longest!;
    const t = traceFloor(long, body);
    const all = [t.start, ...t.at];
    const box = boxOf(all.slice(from - 1, to + 1), body);
    expect(box.north - box.south).toBeLessThanOrEqual(3);
    const more = boxOf(all.slice(from - 1, to + 2), body);
    expect(more.north - more.south).toBeGreaterThan(3);
    expect(fitRoom(long, { width: 30, depth: 2 }, body)).toMatchObject({ fits: true, turned: true });
    expect(fitRoom(long, { width: 0.3, depth: 0.3 }, body).longest).toBeNull();
  });
});

describe('the floor plan', () => {
  it('shows each count that puts a foot down, and how far the end lies off', () => {
    const seq = written('step L, front stance, punch L\npunch R\nstep R, front stance');
    const plan = layoutFloor(seq, traceFloor(seq, body), { closingAllowed: 0.3 });
    expect(plan.counts).toHaveLength(3);
    const words = [...plan.ground, ...plan.numbers].flatMap((p) => (p.is === 'label' ? [p.text] : []));
    expect(words.some((w) => w.endsWith('m off the mark'))).toBe(true);
    expect(words).toContain('1');
    for (const p of plan.counts.flatMap((c) => c.primitives))
      if (p.is === 'shape' && p.at) {
        expect(p.at.x).toBeGreaterThanOrEqual(0);
        expect(p.at.x).toBeLessThanOrEqual(plan.width);
      }
  });
  it('writes runs of counts short', () => {
    expect(runs([1, 2])).toBe('1, 2');
    expect(runs([1, 2, 3, 7])).toBe('1–3, 7');
    expect(runs([1, 3, 5])).toBe('1, 3…');
  });
});
