import { describe, expect, it } from 'vitest';
import { firstPins } from '../../core';
import { beginPinning, confirmIt, cover, onwardsFrom, putAt, remember, undoPin } from './pinning';

const sheet = { width: 1200, height: 1600 };
const start = beginPinning(firstPins('side', sheet.width, sheet.height, 1), 'hip');

describe('landmarks under the thumb', () => {
  it('are put inside the picture, confirmed where they stand, and go back one by one', () => {
    const moved = putAt(remember(start), -50, 9999, sheet);
    expect(moved.pins.hip).toMatchObject({ x: 0, y: 1600, set: true });
    const right = confirmIt(start, sheet);
    expect(right.pins.hip).toMatchObject({ x: start.pins.hip!.x, set: true });
    expect(right.pins.hip!.sd).toBeLessThan(start.pins.hip!.sd);
    // What is set already is not confirmed twice: nothing to take back.
    expect(confirmIt(right, sheet)).toBe(right);
    expect(undoPin(right)).toEqual(start);
    expect(undoPin(start)).toBe(start);
  });

  it('what is covered keeps its guess and is passed over; what is set is never covered', () => {
    const covered = cover(start);
    expect(covered.pins.hip).toEqual({ ...start.pins.hip, covered: true });
    expect(cover(covered).pins.hip!.covered).toBe(false);
    const set = confirmIt(start, sheet);
    expect(cover(set)).toBe(set);
    expect(onwardsFrom(covered, 'side', null, ['hip', 'shoulder']).at).toBe('shoulder');
    expect(onwardsFrom(covered, 'side', 'knee front', ['hip']).at).toBe('knee front');
    expect(onwardsFrom(covered, 'side', null, ['hip']).at).toBe('hip');
    // Put by thumb it is seen after all.
    expect(putAt(covered, 10, 10, sheet).pins.hip).toEqual(expect.not.objectContaining({ covered: true }));
  });
});
