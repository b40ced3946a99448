import { describe, expect, it } from 'vitest';
import { readMeasure } from './readMeasure';

describe('a measure as it is typed', () => {
  it('is a number with a point or a comma, with or without a sign', () => {
    expect(['83', ' 83,5 ', '-40', '−40', '+7', '.5', '83.'].map((t) => readMeasure(t, '°'))).toEqual([
      83, 83.5, -40, -40, 7, 0.5, 83,
    ]);
  });

  // An inch is 2.54 cm exactly (international yard and pound agreement, 1959).
  it('may be in inches, or in feet and inches, where a length is meant', () => {
    expect(readMeasure('33 in', 'cm')).toBe(83.82);
    expect(readMeasure('33"', 'cm')).toBe(83.82);
    expect(readMeasure('33.5 inches', 'cm')).toBe(85.09);
    expect(readMeasure('5 ft 7', 'cm')).toBe(170.18);
    expect(readMeasure('5’7″', 'cm')).toBe(170.18);
    expect(readMeasure('6 ft', 'm')).toBe(1.829);
    expect(readMeasure('33 in', '°')).toBeNull();
    expect(readMeasure('33 in', null)).toBeNull();
  });

  it('may be in another metric unit than the one that is asked for', () => {
    expect(readMeasure('1.70 m', 'cm')).toBe(170);
    expect(readMeasure('835 mm', 'cm')).toBe(83.5);
    expect(readMeasure('83 cm', 'm')).toBe(0.83);
  });

  it('what is no number is none', () => {
    for (const t of ['', ' ', 'wide', '8 3', '1e5', '5 ft 7 8', '9'.repeat(21), '--4'])
      expect(readMeasure(t, 'cm')).toBeNull();
  });
});
