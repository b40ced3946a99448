import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import { aPose, bodyFrom, normal, pinsOf, PX, STANDS, STATURE, truth } from './testing/builders';
import { firstEnds, measure, nextLandmark, scaleByLength, scaleByStature, type Landmark, type Pins } from '.';

const thumb = (name: Landmark) => (name.startsWith('wrist') ? 8 : 2.5);
const staff = (metres: number, off: () => number): Pins => {
  const end = (x: number) => ({ x: x + off(), y: 40 + off(), sd: 2.5, set: true });
  return { 'length from': end(0), 'length to': end(metres * PX) };
};
const LENGTHS = ['stance length', 'front knee past toes'];

describe('a scale off the picture', () => {
  it('is what the drawing was drawn at, by the body’s own stature and by a staff beside it', () => {
    const { hip, shoulder, ...legs } = pinsOf(bodyFrom(aPose(seeded(3))), thumb, null);
    expect(scaleByStature('side', STATURE)!.of({ hip: hip!, shoulder: shoulder!, ...legs })! * PX).toBeCloseTo(1, 2);
    expect(scaleByStature('side', STATURE)!.of(legs)).toBeNull();
    expect(scaleByLength(1.8).of(staff(1.8, () => 0))! * PX).toBeCloseTo(1, 6);
    expect(scaleByLength(1.8).of(legs)).toBeNull();
    const square = { x: 0, y: 0, sd: 2, set: true };
    const breadth = { 'shoulder left': square, 'shoulder right': { ...square, x: 0.259 * 1.7 * PX } };
    expect(scaleByStature('front', 1.7)!.of(breadth)! * PX).toBeCloseTo(1, 6);
    expect(scaleByStature('above', 1.7)).toBeNull();
  });

  it('lengths are as wide as their scale and what it rests on: in 500 drawn bodies the truth lies within in 85 to 95 of 100', () => {
    for (const by of ['stature', 'staff'] as const) {
      const random = seeded(by === 'stature' ? 41 : 43);
      const within = new Map(LENGTHS.map((k) => [k, 0]));
      for (let i = 0; i < 500; i += 1) {
        const body = bodyFrom(aPose(random));
        const real = truth(body);
        // Whoever says their stature differs from the table; a staff lies a little nearer or farther.
        const scale =
          by === 'stature'
            ? scaleByStature('side', STATURE * (1 + normal(random) * 0.04))!
            : scaleByLength(1.8 * (1 + normal(random) * 0.02));
        const pins = { ...pinsOf(body, thumb, random), ...staff(1.8, () => normal(random) * 2.5) };
        for (const m of measure('side', pins, scale, STANDS, LENGTHS))
          if (Math.abs(m.value - real.get(m.kind.key)!) <= m.half) within.set(m.kind.key, within.get(m.kind.key)! + 1);
      }
      for (const [key, n] of within) {
        expect(n / 500, `${key} by ${by}`).toBeGreaterThanOrEqual(0.85);
        expect(n / 500, `${key} by ${by}`).toBeLessThanOrEqual(0.95);
      }
    }
  });

  it('a length whose scale is a guess asks for what the scale rests on; what is covered is never asked for', () => {
    const body = bodyFrom(aPose(seeded(9)));
    const set = pinsOf(body, thumb, null);
    const long = truth(body).get('stance length')!;
    const wanted = [{ key: 'stance length', accepted: { lo: long - 8, hi: long + 8 } }];
    const next = (pins: Pins) => nextLandmark('side', pins, measure('side', pins, scaleByLength(1.8), STANDS), wanted);
    const ends = firstEnds(3 * PX, 4 * PX);
    const pins = { ...set, ...ends };
    expect(['length from', 'length to']).toContain(next(pins));
    const covered = Object.fromEntries(Object.entries(ends).map(([n, p]) => [n, { ...p, covered: true }])) as Pins;
    expect(next({ ...set, ...covered })).toBeNull();
    expect(next({ ...set, ...staff(1.8, () => 0) })).toBeNull();
  });

  it('only what is asked for is worked out', () => {
    const pins = pinsOf(bodyFrom(aPose(seeded(3))), thumb, null);
    const scale = scaleByStature('side', STATURE);
    expect(measure('side', pins, scale, STANDS, ['trunk lean']).map((m) => m.kind.key)).toEqual(['trunk lean']);
  });
});
