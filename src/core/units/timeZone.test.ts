import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { instantAt, timeOfDayIn } from './timeZone';

describe('times of day', () => {
  it('are instants in the school’s zone, summer and winter', () => {
    expect(new Date(instantAt('Europe/Berlin', '2026-01-15', 18 * 60 + 30)).toISOString()).toBe(
      '2026-01-15T17:30:00.000Z',
    );
    expect(new Date(instantAt('Europe/Berlin', '2026-07-15', 18 * 60 + 30)).toISOString()).toBe(
      '2026-07-15T16:30:00.000Z',
    );
    expect(new Date(instantAt('Pacific/Auckland', '2026-01-15', 30)).toISOString()).toBe('2026-01-14T11:30:00.000Z');
    // After midnight of the day that was begun.
    expect(instantAt('UTC', '2026-03-05', 24 * 60 + 10)).toBe(Date.UTC(2026, 2, 6, 0, 10));
  });

  it('go through both changes of clock', () => {
    // Central Europe 2026: 29 March at 2 and 25 October at 3 (Directive 2000/84/EC).
    expect(new Date(instantAt('Europe/Berlin', '2026-03-29', 150)).toISOString()).toBe('2026-03-29T01:30:00.000Z');
    expect(new Date(instantAt('Europe/Berlin', '2026-10-25', 150)).toISOString()).toBe('2026-10-25T00:30:00.000Z');
  });

  it('come back as they went, but for the hour that is not there', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(
          'UTC',
          'Europe/Berlin',
          'America/New_York',
          'Asia/Kathmandu',
          'Pacific/Auckland',
          'Australia/Lord_Howe',
        ),
        fc.integer({ min: 1, max: 365 }),
        fc.integer({ min: 4 * 60, max: 24 * 60 - 1 }),
        (zone, n, minutes) => {
          const day = new Date(Date.UTC(2026, 0, n)).toISOString().slice(0, 10);
          expect(timeOfDayIn(zone, instantAt(zone, day, minutes))).toBe(minutes);
        },
      ),
    );
  });
});
