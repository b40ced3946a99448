import { describe, expect, it } from 'vitest';
import { seeded } from '../units/random';
import { bodyBox, FOUND_POINTS, fromFound, wholeBox, type Found } from './found';

/** Somebody in front stance who faces right with the left foot in front, 300 pixels tall; y down. */
const STANDING: Record<(typeof FOUND_POINTS)[number], [number, number]> = {
  nose: [212, 30],
  'left eye': [208, 24],
  'right eye': [208, 24],
  'left ear': [198, 28],
  'right ear': [197, 28],
  'left shoulder': [200, 62],
  'right shoulder': [196, 62],
  'left elbow': [240, 66],
  'right elbow': [170, 90],
  'left wrist': [280, 70],
  'right wrist': [196, 112],
  'left hip': [198, 146],
  'right hip': [192, 146],
  'left knee': [246, 200],
  'right knee': [150, 210],
  'left ankle': [240, 282],
  'right ankle': [110, 284],
};
const found = (sure: number, turned = false): Found[] =>
  FOUND_POINTS.map((n) => ({ x: turned ? 400 - STANDING[n][0] : STANDING[n][0], y: STANDING[n][1], sure }));

describe('what a pose model found', () => {
  it('becomes guesses for the side, with feet from the table of bodies and the foot in front in front', () => {
    const body = fromFound('side', found(0.9))!;
    expect(body.facing).toBe(1);
    expect(body.pins['ankle front']).toMatchObject({ x: 240, y: 282, set: false });
    expect(body.pins['ankle rear']).toMatchObject({ x: 110, y: 284 });
    expect(body.pins.hip!.x).toBeCloseTo(195, 5);
    expect(body.pins['toe front']!.x).toBeGreaterThan(body.pins['ankle front']!.x);
    expect(body.pins['heel front']!.x).toBeLessThan(body.pins['ankle front']!.x);
    expect(body.pins['toe front']!.y).toBeGreaterThan(body.pins['ankle front']!.y);
    // A foot is .152 of stature.
    const stature = (284 - 24) / 0.9;
    expect(body.pins['toe front']!.x - body.pins['heel front']!.x).toBeCloseTo(0.152 * stature, 5);
    expect(Object.keys(body.pins)).toHaveLength(15);
  });

  it('seen from the other side it is the same turned about', () => {
    const [right, left] = [fromFound('side', found(0.9))!, fromFound('side', found(0.9, true))!];
    expect(left.facing).toBe(-1);
    for (const [name, p] of Object.entries(right.pins)) {
      const q = left.pins[name as keyof typeof left.pins]!;
      expect(q.x).toBeCloseTo(400 - p.x, 5);
      expect(q.y).toBeCloseTo(p.y, 5);
    }
  });

  it('the less sure, the wider; arms wider than legs; what it hardly found is left out', () => {
    const [sure, unsure] = [fromFound('side', found(0.95))!, fromFound('side', found(0.3))!];
    expect(unsure.pins['knee rear']!.sd).toBeGreaterThan(sure.pins['knee rear']!.sd);
    expect(sure.pins['wrist left']!.sd).toBeGreaterThan(sure.pins['knee rear']!.sd);
    const hidden = found(0.9);
    hidden[FOUND_POINTS.indexOf('right wrist')]!.sure = 0.02;
    expect(fromFound('side', hidden)!.pins['wrist right']).toBeUndefined();
  });

  it('finds nobody in an empty picture, nor from above', () => {
    const random = seeded(3);
    expect(
      fromFound(
        'side',
        FOUND_POINTS.map(() => ({ x: 400 * random(), y: 300 * random(), sure: 0.1 })),
      ),
    ).toBeNull();
    expect(fromFound('above', found(0.9))).toBeNull();
    expect(fromFound('side', [])).toBeNull();
  });

  it('from the front left and right stay as the person has them', () => {
    const body = fromFound('front', found(0.9))!;
    expect(body.pins['elbow left']).toMatchObject({ x: 240, y: 66 });
    expect(body.pins['elbow right']).toMatchObject({ x: 170, y: 90 });
    expect(body.pins.nose).toMatchObject({ x: 212, y: 30 });
  });

  it('is looked at once more from near, unless it fills the picture or hardly stands there', () => {
    expect(wholeBox(400, 300)).toEqual({ x: 0, y: -50, side: 400 });
    const far = bodyBox(found(0.9), 1600, 1200)!;
    for (const [x, y] of Object.values(STANDING)) {
      expect(x > far.x && x < far.x + far.side && y > far.y && y < far.y + far.side).toBe(true);
    }
    expect(far.side).toBeLessThan(500);
    expect(bodyBox(found(0.9), 400, 300)).toBeNull();
    expect(bodyBox(found(0.05), 1600, 1200)).toBeNull();
  });
});
