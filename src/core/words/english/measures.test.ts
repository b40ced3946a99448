import { expect, it } from 'vitest';
import { inUnit, measuresInWords } from '.';

it('measures are said with their unit, and with how far off they may be where that is known', () => {
  expect([inUnit(58, '%'), inUnit(120, '°'), inUnit(83, 'cm'), inUnit(3, null)]).toEqual(['58%', '120°', '83 cm', '3']);
  expect(measuresInWords([58, 61], [3, null], '%')).toBe('58 ± 3%, 61%');
  expect(measuresInWords([83.5], [2.1], 'cm')).toBe('83.5 ± 2.1 cm');
  expect(measuresInWords([83.5, 82], null, 'cm')).toBe('83.5 cm, 82 cm');
});
