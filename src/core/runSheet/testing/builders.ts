// Days for tests: small ones drawn at random, and the settings they stand on.
import fc from 'fast-check';
import type { DayGroup, DayItem, DaySettings } from '..';

export const settings: DaySettings = {
  begins: 600,
  ends: 780,
  opening: 12,
  panel: 26,
  closing: 10,
  pause: 0,
  floors: 1,
  mats: 1,
  line: 6,
  eyes: 1,
  rest: 10,
  secondsRepetition: 6,
  secondsCount: 3,
  formTogether: 2,
  things: [{ name: 'shield', count: 2 }],
  comes: {},
};
export const PANEL = ['maren', 'idris', 'odile'];
export const group = (
  id: string,
  minutes: number,
  people: number,
  more: Partial<DayGroup['tasks'][number]> = {},
): DayGroup => ({
  id,
  belt: id,
  rank: 0,
  people: Array.from({ length: people }, (_, i) => `${id} ${i}`),
  minutes,
  tasks: [{ label: id, items: [id], minutes, mats: false, pairs: false, thing: null, count: 0, turns: 1, ...more }],
});
export const daysOf = (minutes: fc.Arbitrary<number>) =>
  fc
    .record({
      lengths: fc.array(
        fc.record({
          minutes,
          people: fc.integer({ min: 1, max: 6 }),
          how: fc.constantFrom('air', 'mats', 'things'),
        }),
        {
          minLength: 1,
          maxLength: 5,
        },
      ),
      floors: fc.integer({ min: 1, max: 3 }),
      eyes: fc.integer({ min: 1, max: 2 }),
      examiners: fc.integer({ min: 1, max: 3 }),
      late: fc.integer({ min: 0, max: 20 }),
      pause: fc.constantFrom(0, 4),
    })
    .map(({ lengths, floors, eyes, examiners, late, pause }) => {
      const groups = lengths.map((g, i) =>
        group(
          `g${i}`,
          g.minutes,
          g.people,
          g.how === 'mats' ? { mats: true } : g.how === 'things' ? { thing: 'shield', count: 2 } : {},
        ),
      );
      const s = { ...settings, floors, eyes, pause, comes: { odile: settings.begins + settings.opening + late } };
      return { groups, s, panel: PANEL.slice(0, examiners) };
    });

export const short = fc.integer({ min: 2, max: 9 });

export const item = (id: string, more: Partial<DayItem> = {}): DayItem => ({
  id,
  name: id,
  sided: true,
  counts: null,
  beats: null,
  falls: false,
  partner: false,
  gear: null,
  ...more,
});
