import * as fc from 'fast-check';
import { expect, it } from 'vitest';
import { minutesThere } from './attended';

const AT = (h: number, m: number) => h * 60 + m;

it('counts what somebody had of a class by the minute', () => {
  const from = AT(18, 30);
  expect(minutesThere(from, 90, { came: null, went: null })).toBeNull();
  expect(minutesThere(from, 90, { came: AT(18, 50), went: null })).toBe(70);
  expect(minutesThere(from, 90, { came: null, went: AT(19, 30) })).toBe(60);
  expect(minutesThere(from, 90, { came: AT(18, 50), went: AT(19, 30) })).toBe(40);
  // Early is not more than all of it, and after the end nothing is left.
  expect(minutesThere(from, 90, { came: AT(18, 0), went: AT(21, 0) })).toBeNull();
  expect(minutesThere(from, 90, { came: AT(20, 30), went: null })).toBe(0);
});

it('goes over midnight', () => {
  expect(minutesThere(AT(23, 0), 90, { came: AT(0, 10), went: null })).toBe(20);
});

it('is never below nothing nor above the class', () => {
  const time = fc.option(fc.integer({ min: 0, max: 1439 }));
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 1439 }), fc.integer({ min: 5, max: 600 }), time, time, (s, m, came, went) => {
      const there = minutesThere(s, m, { came, went }) ?? m;
      expect(there).toBeGreaterThanOrEqual(0);
      expect(there).toBeLessThanOrEqual(m);
    }),
  );
});
