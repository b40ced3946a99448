import fc from 'fast-check';
import { expect, it } from 'vitest';
import { codeInFours, codeOf, differsIn, readCode, unknownPlaces, worded } from '.';
import { checkedInWords } from '../words';

it('a code is read as people type it, and no two bytes alike make the same one by chance alone', () => {
  fc.assert(
    fc.property(fc.uint8Array({ minLength: 12, maxLength: 12 }), (random) => {
      const code = codeOf(random);
      expect(code).toMatch(/^[0-9A-HJKMNP-TV-Z]{12}$/);
      expect(readCode(codeInFours(code).toLowerCase())).toBe(code);
      // Who writes a figure as the letter that looks like it is understood.
      expect(readCode(code.replace(/0/g, 'o').replace(/1/g, 'l'))).toBe(code);
    }),
  );
  expect(readCode('7KQ4-M2XD')).toBeNull();
  expect(readCode('7KQ4-M2XD-00!0')).toBeNull();
  expect(() => codeOf(new Uint8Array(3))).toThrow(RangeError);
});

it('a school’s wording names what it wants to', () => {
  const f = { name: 'Aiko Dunmore', belt: 'Fern', day: '1 January 2027', school: 'Causeway Hall' };
  expect(worded('', f)).toBe('wears Fern from 1 January 2027');
  expect(worded('{name} holds {belt} at {school}; {belt}!', f)).toBe('Aiko Dunmore holds Fern at Causeway Hall; Fern!');
  expect(unknownPlaces('{name} on {date}')).toEqual(['{date}']);
});

it('what differs is named, and said', () => {
  const given = { id: '1', name: 'Aiko Dunmore', belt: 'Fern', day: '2027-01-01', school: 'Causeway Hall' };
  const shown = { ...given, belt: 'Black', day: '2025-01-01' };
  expect(differsIn(given, shown)).toEqual(['belt', 'day']);
  expect(checkedInWords({ word: 'changed', given, shown, differs: ['belt', 'day'] }, '2027-02-01')).toBe(
    'It was changed: the belt says Black, the school gave Fern; the day says 1 January 2025, the school gave 1 January 2027.',
  );
});
