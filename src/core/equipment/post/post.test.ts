import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bendPost,
  cutList,
  FIXINGS,
  fromPull,
  heightsFor,
  holds,
  push,
  secondRow,
  SECTIONS,
  stiffnessBack,
  WOODS,
  type Post,
  type PostBuild,
} from '.';

// Closed forms: references.md, any mechanics handbook.
const E = 12e9;
const board = (length: number, thickness = 0.03, top = thickness, breadth = 0.09) => ({
  breadth,
  thickness,
  top,
  length,
});
const I = (b: number, h: number) => (b * h ** 3) / 12;
const built = (more: Partial<PostBuild>): PostBuild => ({
  front: board(1.2),
  second: null,
  fixing: 'joined',
  modulus: E,
  strength: 103e6,
  ...more,
});
const P = 300;

describe('a cantilever', () => {
  it('of one even board: δ = P L³ / 3 E I, stress P L / (b h² / 6) at the clamp', () => {
    const b = bendPost(built({}), 1.2, P);
    expect(b.deflection).toBeCloseTo((P * 1.2 ** 3) / (3 * E * I(0.09, 0.03)), 9);
    expect(b.stress.pascal).toBeCloseTo((P * 1.2) / ((0.09 * 0.03 ** 2) / 6), 0);
    expect(b.stress).toMatchObject({ z: 0, board: 'front' });
    expect(b.slope).toBeCloseTo((P * 1.2 ** 2) / (2 * E * I(0.09, 0.03)), 9);
  });

  it('stepped: joined boards to a, one from there; its limits are the even beams', () => {
    const i1 = 2 * I(0.09, 0.03);
    const i2 = I(0.09, 0.03);
    const stepped = (a: number, L: number) => (P / (3 * E)) * ((L ** 3 - (L - a) ** 3) / i1 + (L - a) ** 3 / i2);
    for (const a of [0.1, 0.4, 0.8, 1.19])
      expect(bendPost(built({ second: board(a) }), 1.2, P).deflection).toBeCloseTo(stepped(a, 1.2), 9);
    expect(bendPost(built({ second: board(1e-6) }), 1.2, P).deflection).toBeCloseTo((P * 1.2 ** 3) / (3 * E * i2), 6);
    expect(bendPost(built({ second: board(1.2) }), 1.2, P).deflection).toBeCloseTo((P * 1.2 ** 3) / (3 * E * i1), 9);
  });

  it('glued: one section of both thicknesses, eight times as stiff as one board', () => {
    const b = bendPost(built({ second: board(1.2), fixing: 'glued' }), 1.2, P);
    expect(b.deflection).toBeCloseTo((P * 1.2 ** 3) / (3 * E * I(0.09, 0.06)), 9);
    expect(b.stress.pascal).toBeCloseTo((P * 1.2) / ((0.09 * 0.06 ** 2) / 6), 0);
    expect(b.stress.board).toBe('both');
  });

  it('loose: they touch near the shorter one’s tip, by superposition', () => {
    for (const [a, L, h2] of [
      [0.4, 1.2, 0.03],
      [0.8, 1.2, 0.02],
      [1.1, 1.2, 0.04],
    ] as const) {
      const i1 = I(0.09, 0.03);
      const i2 = I(0.09, h2);
      const r = (P * a * a * (3 * L - a)) / (6 * E * i1) / (a ** 3 / (3 * E * i1) + a ** 3 / (3 * E * i2));
      const tip = (P * L ** 3) / (3 * E * i1) - (r * a * a * (3 * L - a)) / (6 * E * i1);
      const b = bendPost(built({ second: board(a, h2), fixing: 'loose' }), L, P);
      expect(b.contact).toBeCloseTo(r, 3);
      expect(b.deflection).toBeCloseTo(tip, 8);
    }
  });

  it('tapered: the closed form of a depth that falls in a line (from ∫ M² / E I), and fine finite differences', () => {
    const [h0, h1, L, b] = [0.032, 0.016, 1.2, 0.09];
    // With u = depth, z = (h0 - u) L / (h0 - h1): δ = 12 P / (E b) · k³ · ∫ (u - h1)² / u³ du from h1 to h0, k = L / (h0 - h1).
    const k = L / (h0 - h1);
    const F = (u: number) => Math.log(u) + (2 * h1) / u - h1 ** 2 / (2 * u * u);
    const closed = ((12 * P) / (E * b)) * k ** 3 * (F(h0) - F(h1));
    const bent = bendPost(built({ front: board(L, h0, h1) }), L, P);
    expect(bent.deflection).toBeCloseTo(closed, 7);
    // Two tapered boards, loose ones left to the superposition above.
    const second = board(0.8, 0.028, 0.014);
    const stiff = (z: number, fixing: 'joined' | 'glued') => {
      const f = h0 + ((h1 - h0) * z) / L;
      const s = 0.028 + (0.014 - 0.028) * (z / 0.8);
      return E * (z >= 0.8 ? I(b, f) : fixing === 'glued' ? I(b, f + s) : I(b, f) + I(b, s));
    };
    for (const fixing of ['joined', 'glued'] as const) {
      const n = 60_000;
      const dz = L / n;
      let [before, y] = [0, 0];
      for (let i = 0; i < n; i += 1) {
        const z = i * dz;
        const m = (P * (L - z)) / stiff(z, fixing);
        const after = i === 0 ? (m * dz * dz) / 2 : 2 * y - before + m * dz * dz;
        [before, y] = [y, after];
      }
      const found = bendPost(built({ front: board(L, h0, h1), second, fixing }), L, P).deflection;
      expect(Math.abs(found / y - 1)).toBeLessThan(2e-4);
    }
  });

  it('laws: in proportion to the push, glued never softer than joined, joined never than loose nor one alone; the curve ends where it says', () => {
    const aBoard = (longest: number) =>
      fc
        .record({
          thickness: fc.double({ min: 0.012, max: 0.05, noNaN: true }),
          thin: fc.double({ min: 0.4, max: 1, noNaN: true }),
          share: fc.double({ min: 0.1, max: 1, noNaN: true }),
        })
        .map((x) => board(longest * x.share, x.thickness, x.thickness * x.thin));
    fc.assert(
      fc.property(aBoard(1.3), aBoard(1.3), fc.double({ min: 50, max: 600, noNaN: true }), (f, s, force) => {
        const front = { ...f, length: 1.3 };
        const at = (fixing: PostBuild['fixing'], by = 1, second: PostBuild['second'] = s) =>
          bendPost(built({ front, second, fixing }), 1.3, force * by);
        const [glued, joined, loose] = FIXINGS.map((x) => at(x));
        const one = at('joined', 1, null);
        const near = 1 + 1e-6;
        expect(glued!.deflection).toBeLessThanOrEqual(joined!.deflection * near);
        expect(joined!.deflection).toBeLessThanOrEqual(loose!.deflection * near);
        expect(loose!.deflection).toBeLessThanOrEqual(one.deflection * near);
        expect(loose!.contact).toBeGreaterThan(0);
        for (const x of FIXINGS) {
          expect(at(x, 2).deflection / at(x).deflection).toBeCloseTo(2, 6);
          expect(at(x).curve.at(-1)!.y).toBe(at(x).deflection);
          expect(at(x).stress.pascal).toBeGreaterThan(0);
        }
      }),
      { numRuns: 60 },
    );
  });

  it('is not pushed above its top', () => {
    expect(() => bendPost(built({}), 1.3, P)).toThrow('below its top');
  });
});

// Check values of the plan for somebody of 1.76 m: ash, 90 × 32 planed to 16, second board two thirds, 300 N.
const ash = WOODS.find((w) => w.name === 'white ash')!;
const kofis: Post = {
  ...heightsFor(1.76),
  breadth: 0.09,
  thickness: 0.032,
  thin: 0.016,
  fixing: 'joined',
  foot: { kind: 'ground' },
  wood: ash,
};

describe('a post for somebody', () => {
  it('is as high as the plexus, struck a little lower in stance, its second board to two thirds', () => {
    expect(heightsFor(1.76)).toEqual({ top: 1.23, blow: 1.11, second: 0.82 });
    expect(heightsFor(1.76, 1.3)).toEqual({ top: 1.3, blow: 1.18, second: 0.87 });
  });

  it('joined 53 mm, glued 16, loose 54, with its range; stress far from a third of breaking', () => {
    const mm = (p: Post) => Math.round(push(p, 300).best.deflection * 1000);
    expect([mm(kofis), mm({ ...kofis, fixing: 'glued' }), mm({ ...kofis, fixing: 'loose' })]).toEqual([53, 16, 54]);
    const r = push(kofis, 300);
    expect([r.stiffest, r.softest].map((b) => Math.round(b.deflection * 1000))).toEqual([35, 84]);
    expect(Math.round(r.best.stress.pascal / 1e6)).toBe(13);
    expect(r.best.stress.z - r.held).toBeCloseTo(0.82, 2);
    expect(holds(kofis, 300)).toEqual({ holds: true, thickness: null });
  });

  it('the higher the second board, the stiffer (F 46, common practice, no source)', () => {
    const row = secondRow(kofis).map((x) => Math.round(x.stiffness / 100) / 10);
    expect(row).toEqual([4.3, 4.9, 5.6, 6.1, 6.5]);
  });

  it('too thin says the thinnest that holds, and one thinner does not', () => {
    const thin = { ...kofis, thickness: 0.014, thin: 0.007 };
    const found = holds(thin, 450);
    expect(found.holds).toBe(false);
    const scaled = (t: number) => ({ ...kofis, thickness: t, thin: t / 2 });
    expect(holds(scaled(found.thickness!), 450).holds).toBe(true);
    expect(holds(scaled(found.thickness! - 0.001), 450).holds).toBe(false);
  });

  it('on a base it is springier away than back where the front brackets are deeper', () => {
    const base = { ...kofis, foot: { kind: 'base', front: 0.3, rear: 0.1 } } as const;
    expect(stiffnessBack(base)).toBeGreaterThan(push(base, 300).best.stiffness);
    const even = { ...kofis, foot: { kind: 'base', front: 0.2, rear: 0.2 } } as const;
    expect(stiffnessBack(even)).toBeCloseTo(push(even, 300).best.stiffness, 6);
  });

  it('a pull says what the timber is, comes back to it, and narrows the range', () => {
    const pull = 20 * 9.81;
    const soft = { ...kofis, wood: { ...ash, modulus: 10e9 } };
    const moved = push(soft, pull).best.deflection;
    const found = fromPull(kofis, pull, moved)!;
    expect(found.modulus).toBeCloseTo(10e9, -4);
    const before = push(kofis, 300);
    const after = push(kofis, 300, found);
    expect(after.best.deflection).toBeCloseTo(push(soft, 300).best.deflection, 6);
    expect(after.softest.deflection - after.stiffest.deflection).toBeLessThan(
      (before.softest.deflection - before.stiffest.deflection) / 2,
    );
    expect(fromPull(kofis, pull, 0.004)).toBeNull();
    expect(fromPull(kofis, 0, 0.05)).toBeNull();
  });

  it('says what to cut', () => {
    expect(
      cutList(kofis)
        .map((l) => `${l.what}: ${l.size}`)
        .slice(0, 2),
    ).toEqual(['Front board: white ash, 1.85 m × 90 × 32', 'Second board: white ash, 1.44 m × 90 × 32']);
    expect(cutList({ ...kofis, foot: { kind: 'base', front: 0.3, rear: 0.1 } }).map((l) => l.what)).toContain('Base');
  });

  it('has the timber of the tables', () => {
    // Wood Handbook, strength table at 12 % moisture (from memory); PS 20: “1 × 4” is 19 × 89 mm dressed.
    expect(WOODS.map((w) => [w.name, w.modulus / 1e9, w.strength / 1e6])).toContainEqual(['white oak', 12.3, 105]);
    expect(SECTIONS.find((s) => s.name.includes('1 × 4'))).toMatchObject({ breadth: 0.089, thickness: 0.019 });
  });
});
