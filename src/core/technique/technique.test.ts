import { describe, expect, it } from 'vitest';
import { BODY_PARTS, fromTheGroundUp, isHeld, type Point } from './point';
import { BODY, figureOf, placeOf, poseOf } from './pose';
import { itemPoints, TECHNIQUE_KINDS, type Technique } from './technique';

const point = (id: string, bodyPart: Point['bodyPart']): Point => ({
  id,
  name: id,
  how: '',
  why: '',
  kind: 'seen',
  bodyPart,
  critical: false,
  unit: null,
  accepted: null,
  wanted: null,
  measuredBy: null,
  slips: [],
});
const technique = (
  id: string,
  points: Point[],
  stanceId: string | null = null,
  stepId: string | null = null,
): Technique => ({ id, name: id, kind: 'strike', sided: true, stanceId, stepId, points });

describe('the points of an item', () => {
  const heel = point('heel', 'feet');
  const stance = technique('stance', [heel, point('knee', 'knees')]);
  const step = technique('step', [point('ankle', 'feet')], 'stance');
  const punch = technique('punch', [point('fist', 'hand'), point('eyes', 'eyes')], 'stance', 'step');
  const all = new Map([stance, step, punch].map((t) => [t.id, t]));

  it('are its own, its stance’s and its step’s, each once, from the ground up', () => {
    expect(itemPoints(punch, all).map((p) => p.id)).toEqual(['heel', 'ankle', 'knee', 'fist', 'eyes']);
  });

  it('end where a circle of stances closes', () => {
    const a = technique('a', [point('a1', 'feet')], 'b');
    const b = technique('b', [point('b1', 'feet')], 'a');
    expect(itemPoints(a, new Map([a, b].map((t) => [t.id, t]))).map((p) => p.id)).toEqual(['b1', 'a1']);
  });

  it('keep their order on the same part of the body', () => {
    const points = [point('x', 'hips'), point('y', 'feet'), point('z', 'hips')];
    expect(fromTheGroundUp(points).map((p) => p.id)).toEqual(['y', 'x', 'z']);
    expect(
      isHeld(90, { lo: 90, hi: 135 }) && isHeld(135, { lo: 90, hi: 135 }) && !isHeld(136, { lo: 90, hi: 135 }),
    ).toBe(true);
  });
});

describe('the drawn figure', () => {
  const length = (a: { x: number; y: number }, b: { x: number; y: number }) => Math.hypot(a.x - b.x, a.y - b.y);

  // Winter's table of segment lengths (from memory): a person standing straight is as tall as the table says.
  it.each(TECHNIQUE_KINDS)('%s keeps the lengths of the body and stands on the floor', (kind) => {
    const f = figureOf(poseOf(kind));
    for (const side of ['left', 'right'] as const) {
      expect(length(f.hip, f[side].knee)).toBeCloseTo(0.245, 9);
      expect(length(f[side].knee, f[side].ankle)).toBeCloseTo(0.246, 9);
      expect(f[side].ankle.y).toBeGreaterThan(BODY.ankleHeight - 1e-9);
    }
    expect(f[poseOf(kind).stands].ankle.y).toBeCloseTo(BODY.ankleHeight, 9);
    expect(length(f.shoulder, f.rightArm.elbow)).toBeCloseTo(0.186, 9);
    for (const part of BODY_PARTS) expect(Number.isFinite(placeOf({ bodyPart: part }, f, kind).x)).toBe(true);
  });

  it('points at the foot, knee and hand that the point names', () => {
    const at = (kind: 'stance' | 'strike' | 'kick', bodyPart: 'feet' | 'knees' | 'other hand', name: string) =>
      placeOf({ bodyPart, name }, figureOf(poseOf(kind)), kind);
    for (const kind of ['stance', 'strike'] as const) {
      const f = figureOf(poseOf(kind));
      // In front is further forward, whichever leg carries the weight.
      expect(f.left.ankle.x).toBeGreaterThan(f.right.ankle.x);
      expect(at(kind, 'feet', 'Rear heel down')).toEqual(f.right.ankle);
      expect(at(kind, 'feet', 'Front foot lifts without a shift')).toEqual(f.left.ankle);
      expect(at(kind, 'knees', 'Front knee over the toes')).toEqual(f.left.knee);
      expect(at(kind, 'knees', 'Back knee straight')).toEqual(f.right.knee);
      expect(at(kind, 'other hand', 'Rear hand at the cheek')).toEqual(f.rightArm.wrist);
    }
    const kick = figureOf(poseOf('kick'));
    expect(at('kick', 'feet', 'Strikes with the instep')).toEqual(kick.right.toe);
    expect(at('kick', 'feet', 'Base foot turns on the ball')).toEqual(kick.left.ankle);
    expect(at('kick', 'knees', 'Knee up first, folded')).toEqual(kick.right.knee);
    expect(at('kick', 'knees', 'Base knee bent')).toEqual(kick.left.knee);
  });

  it('puts both feet of a front stance on the floor', () => {
    const f = figureOf(poseOf('stance'));
    expect(f.right.ankle.y).toBeCloseTo(f.left.ankle.y, 9);
  });
});
