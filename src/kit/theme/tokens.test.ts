import { describe, expect, it } from 'vitest';
import { contrast, DARK, LIGHT, PAIRS } from './tokens';

describe('contrast', () => {
  // WCAG 2.2, contrast ratio: black on white 21:1, #767676 on white 4.54:1.
  it('is computed as WCAG says', () => {
    expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 5);
    expect(contrast('#FFFFFF', '#767676')).toBeCloseTo(4.54, 2);
  });

  it.each(PAIRS)('$where: $front on $back', ({ front, back, least }) => {
    expect(contrast(LIGHT[front], LIGHT[back])).toBeGreaterThanOrEqual(least);
    expect(contrast(DARK[front], DARK[back])).toBeGreaterThanOrEqual(least);
  });
});
