import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkSiting, outlineOf, overlap, workRoomOf, type Sited } from './siting';
import { FACES, type Stand } from './thing';
import { THING_SHAPES, type ThingShape } from './thing';

// Room behind the elbow, a half circle round an armed post, an arm and a leg at the wall, a backstop behind a holder who
// goes back: F 62, common practice, no source. Lengths of bodies: Winter (from memory).
const HALL = { width: 12, depth: 9 };
const TALL = 1.8;
const at = (
  shape: ThingShape,
  x: number,
  y: number,
  faces: Stand['faces'] = 'back',
  more: Partial<Sited> = {},
): Sited => ({
  name: shape,
  shape,
  soft: shape === 'mat',
  stand: { x, y, faces },
  no: 1,
  ...more,
});
const kinds = (...all: Sited[]) => checkSiting(all, HALL, TALL).map((f) => f.kind);

describe('where things stand', () => {
  it('a post needs room behind the elbow of whoever strikes it, to either side as far as an arm', () => {
    // An arm .44, the drawn-back elbow .186, and 20 cm: 1.33 m for somebody of 1.80 m.
    expect(workRoomOf('post', TALL)).toEqual({
      kind: 'box',
      wide: expect.closeTo(1.584, 3) as number,
      deep: expect.closeTo(1.327, 3) as number,
    });
    expect(kinds(at('post', 6, 4))).toEqual([]);
    const near = checkSiting([at('post', 6, 8)], HALL, TALL);
    expect(near).toEqual([
      { kind: 'wall', of: at('post', 6, 8), wall: 'back', short: expect.closeTo(0.327, 3) as number },
    ]);
    // Turned round there is room.
    expect(kinds(at('post', 6, 8, 'front'))).toEqual([]);
    expect(checkSiting([at('post', 0.5, 4)], HALL, TALL)).toMatchObject([{ wall: 'left' }]);
    // A child's elbow needs less.
    expect(checkSiting([at('post', 6, 8)], HALL, 1.2)).toEqual([]);
  });

  it('an armed post a half circle, a wall an arm and a leg; what stands outside of the hall is said', () => {
    expect(kinds(at('armed post', 6, 0.1))).toEqual([]);
    expect(kinds(at('armed post', 1, 0.1))).toEqual(['wall']);
    expect(kinds(at('wall', 6, 0))).toEqual([]);
    expect(workRoomOf('wall', TALL)).toMatchObject({ deep: expect.closeTo(0.97 * TALL, 6) as number });
    expect(kinds(at('post', 13, 4))).toEqual(['outside']);
    expect(kinds(at('staff', 0, 0), at('mat', 12, 9))).toEqual([]);
  });

  it('two at which people work at once are told of where they are in each other’s way', () => {
    expect(kinds(at('post', 4, 4), at('post', 6, 4, 'back', { no: 2 }))).toEqual([]);
    const [f] = checkSiting([at('post', 4, 4), at('post', 5, 4, 'back', { no: 2 })], HALL, TALL);
    expect(f).toMatchObject({ kind: 'apart', short: expect.closeTo(0.584, 3) as number, other: { no: 1 } });
    // Back to back they are not.
    expect(kinds(at('post', 4, 4), at('post', 4, 4, 'front', { no: 2 }))).toEqual([]);
  });

  it('a shield whose holder goes back needs something soft behind, not before', () => {
    expect(checkSiting([at('kick shield', 6, 4, 'back')], HALL, TALL)).toMatchObject([{ kind: 'backstop', wall: 4 }]);
    expect(kinds(at('kick shield', 6, 4, 'back'), at('mat', 6, 2.5))).toEqual([]);
    expect(kinds(at('kick shield', 6, 4, 'back'), at('mat', 6, 5.5))).toEqual(['backstop']);
    expect(kinds(at('kick shield', 6, 4, 'back'), at('mat', 6, 1))).toEqual(['backstop']);
    expect(kinds(at('kick shield', 6, 4, 'back'), at('post', 1.5, 2.5))).toEqual(['backstop']);
  });

  it('turned with the hall by a quarter the same is wrong', () => {
    const turn = ({ stand, ...rest }: Sited): Sited => ({
      ...rest,
      stand: {
        x: HALL.depth - stand.y,
        y: stand.x,
        faces: FACES[(FACES.indexOf(stand.faces) + 1) % 4]!,
      },
    });
    const aSited = fc.record({
      shape: fc.constantFrom(...THING_SHAPES),
      // To the hand breadth, as people measure.
      x: fc.integer({ min: 0, max: HALL.width * 10 }).map((n) => n / 10),
      y: fc.integer({ min: 0, max: HALL.depth * 10 }).map((n) => n / 10),
      faces: fc.constantFrom(...FACES),
    });
    fc.assert(
      fc.property(fc.array(aSited, { maxLength: 6 }), (list) => {
        const all = list.map((s, i) => at(s.shape, s.x, s.y, s.faces, { no: i + 1 }));
        const here = checkSiting(all, HALL, TALL).map((f) => `${f.kind} ${f.of.no}`);
        const there = checkSiting(all.map(turn), { width: HALL.depth, depth: HALL.width }, TALL);
        expect(there.map((f) => `${f.kind} ${f.of.no}`).sort()).toEqual([...here].sort());
      }),
      // A metre aside to the hair: as numbers go, a little less the one way and a little more the other.
      {
        examples: [
          [
            [
              { shape: 'mat', x: 1.4, y: 0.7, faces: 'front' },
              { shape: 'kick shield', x: 1.3, y: 1.7, faces: 'left' },
            ],
          ],
        ],
      },
    );
  });

  it('outlines lie in each other the same from either side, and not at all where a line parts them', () => {
    const box = { kind: 'box', wide: 1, deep: 1 } as const;
    const aStand = fc.record({
      x: fc.double({ min: 0, max: 5, noNaN: true }),
      y: fc.double({ min: 0, max: 5, noNaN: true }),
      faces: fc.constantFrom(...FACES),
    });
    fc.assert(
      fc.property(aStand, aStand, (a, b) => {
        const [p, q] = [outlineOf(a, box), outlineOf(b, box)];
        expect(overlap(p, q)).toBeCloseTo(overlap(q, p), 9);
        const apart = p.every((s) => q.every((t) => s.x < t.x)) || p.every((s) => q.every((t) => s.y < t.y));
        if (apart) expect(overlap(p, q)).toBe(0);
      }),
    );
    expect(
      overlap(outlineOf({ x: 1, y: 1, faces: 'back' }, box), outlineOf({ x: 1.6, y: 1, faces: 'back' }, box)),
    ).toBeCloseTo(0.4, 9);
  });
});
