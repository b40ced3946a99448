import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, weekdayOf } from '../../units/plainDate';
import {
  ALL_FINE,
  FEELING,
  forecastLoad,
  LOAD_AS_DELIVERED as RULE,
  LOAD_JOINTS,
  mayStrike,
  maySnap,
  nextLoad,
  SKIN,
  stepsOf,
  SWELLING,
  usualDays,
  walkLoad,
  type LimbSaid,
  type LoadEntry,
  type LoadLift,
} from '.';

// Numbers of the ladder: F 47, F 48, F 61, common practice, no source.
const START = '2026-01-12';
const on = (day: number) => addDays(START, day);
const did = (day: number, count: number, said: Partial<LimbSaid> | null = null, more: Partial<LoadEntry> = {}) =>
  ({
    day: on(day),
    at: `${on(day)}T18:00:00Z`,
    ladder: 'hand',
    side: 'right',
    count,
    said: said && { ...ALL_FINE, ...said },
    ...more,
  }) satisfies LoadEntry;
const lift = (day: number, hour = 20, more: Partial<LoadLift> = {}): LoadLift => ({
  day: on(day),
  at: `${on(day)}T${hour}:00:00Z`,
  ladder: 'hand',
  side: 'right',
  ...more,
});
const next = (entries: LoadEntry[], day: number, lifts: LoadLift[] = [], of: Partial<LoadEntry> = {}) =>
  nextLoad(walkLoad(entries, lifts, RULE, of.ladder ?? 'hand', of.side ?? 'right', on(day)), RULE, on(day));
/** Every other day as many as allowed, without a word, until a number is reached. */
const up = (to: number, from = 0): LoadEntry[] => {
  const all: LoadEntry[] = [];
  for (let day = from; ; day += 2) {
    const n = next(all, day);
    if (n.number >= to) return all;
    all.push(did(day, n.number, {}));
  }
};

describe('the next day’s number', () => {
  it('begins with twenty, goes five up after two fine days, and stands still while it is sore', () => {
    expect(next([], 0)).toMatchObject({ number: 20, snap: false, stop: null, why: { kind: 'begin' } });
    expect(next([did(0, 20)], 1)).toMatchObject({ number: 20, why: { kind: 'fine', days: 1, of: 2 } });
    expect(next([did(0, 20), did(2, 20)], 3)).toMatchObject({ number: 25, why: { kind: 'grew', days: 2 } });
    const sore = [did(0, 20), did(2, 20, { joints: 'sore' }), did(4, 20)];
    expect(next(sore, 3)).toMatchObject({ number: 20, why: { kind: 'said', word: 'sore' } });
    expect(next(sore, 5)).toMatchObject({ number: 20, why: { kind: 'fine', days: 1, of: 2 } });
  });

  it('fewer than allowed does not count as a fine day; more is kept and gives no growth', () => {
    expect(next([did(0, 20), did(2, 15)], 3)).toMatchObject({ number: 20, why: { kind: 'fewer' } });
    const more = [did(0, 20), did(2, 15), did(2, 15, null, { at: `${on(2)}T21:00:00Z` })];
    expect(next(more, 3)).toMatchObject({ number: 20, why: { kind: 'more', done: 30, allowed: 20 } });
  });

  it('red halves; swollen halves and rests until it has been gone two days', () => {
    const fifty = up(50);
    const last = daysBetween(START, fifty.at(-1)!.day);
    expect(next([...fifty, did(last + 2, 50, { skin: 'red' })], last + 4)).toMatchObject({ number: 25, stop: null });
    const swollen = [...fifty, did(last + 2, 50, { swelling: 'swollen' })];
    expect(next(swollen, last + 30)).toMatchObject({ number: 0, stop: { for: 'swollen', until: null }, then: 25 });
    const gone = [...swollen, did(last + 5, 0, {})];
    expect(next(gone, last + 6)).toMatchObject({ number: 0, stop: { until: on(last + 7) } });
    expect(next(gone, last + 7)).toMatchObject({ number: 25, stop: null });
  });

  it('open skin stops for two weeks and begins anew at twenty; still open, it begins anew', () => {
    const fifty = up(50);
    const last = daysBetween(START, fifty.at(-1)!.day);
    const open = [...fifty, did(last + 2, 50, { skin: 'open' })];
    expect(next(open, last + 15)).toMatchObject({
      number: 0,
      stop: { for: 'open', since: on(last + 2), until: on(last + 16) },
    });
    expect(next(open, last + 16)).toMatchObject({ number: 20, stop: null });
    const still = [...open, did(last + 10, 0, { skin: 'open' })];
    expect(next(still, last + 23).stop).toMatchObject({ since: on(last + 2), until: on(last + 24) });
    // Who strikes meanwhile makes it neither shorter nor grow.
    const meanwhile = [...open, did(last + 8, 20)];
    expect(next(meanwhile, last + 15)).toMatchObject({ number: 0, why: { kind: 'more', allowed: 0 } });
    expect(next(meanwhile, last + 16).number).toBe(20);
  });

  it('pain and numbness rest until the head lifts it after they were told of', () => {
    const pain = [did(0, 20), did(2, 20, { joints: 'pain' })];
    expect(next(pain, 300)).toMatchObject({ number: 0, stop: { for: 'pain', until: null } });
    expect(next(pain, 6, [lift(1)])).toMatchObject({ number: 0 });
    expect(next(pain, 6, [lift(2, 17)])).toMatchObject({ number: 0 });
    expect(next(pain, 6, [lift(5)])).toMatchObject({ number: 20, stop: null, why: { kind: 'lifted' } });
    expect(next([...pain, did(6, 20, { feeling: 'numb' })], 9, [lift(5)])).toMatchObject({
      stop: { for: 'numb', since: on(6) },
    });
    expect(next(pain, 6, [lift(5, 20, { side: 'left' })]).number).toBe(0);
  });

  it('about fifty a day repeatedly without a word unlocks the fast return; steps take a day longer from there', () => {
    const fifty = up(50);
    const last = daysBetween(START, fifty.at(-1)!.day);
    const state = (all: LoadEntry[], day: number) => walkLoad(all, [], RULE, 'hand', 'right', on(day)).state;
    const one = [...fifty, did(last + 2, 50)];
    const two = [...one, did(last + 4, 50)];
    expect([state(fifty, last + 1), state(one, last + 3), state(two, last + 5)].map((s) => maySnap(s, RULE))).toEqual([
      false,
      false,
      true,
    ]);
    expect(next(two, last + 5)).toMatchObject({ number: 50, snap: true });
    expect(next([...two, did(last + 6, 50)], last + 8)).toMatchObject({ number: 55, snap: true });
    expect(next([...two, did(last + 6, 50, { joints: 'sore' })], last + 8)).toMatchObject({ number: 50, snap: false });
  });

  it('four days in any seven are enough, and four weeks without it halve, never below twenty', () => {
    const days = [0, 1, 2, 3].map((d) => did(d, 20));
    expect(next(days, 4)).toMatchObject({ number: 0, weekUntil: on(7), then: 25 });
    expect(next(days, 7)).toMatchObject({ number: 25, weekUntil: null });
    expect(next(up(60), 200)).toMatchObject({ number: 30, why: { kind: 'paused' } });
    expect(next([did(0, 20)], 60).number).toBe(20);
  });

  it('each side has its own, both sides at once are halves, and knuckles carry press-ups', () => {
    const left = { side: 'left' as const };
    const open = [did(0, 20, { skin: 'open' }, left)];
    expect(next(open, 3).number).toBe(20);
    expect(next(open, 3, [], left).number).toBe(0);
    expect(next(open, 3, [], { ladder: 'press-ups', side: 'none' })).toMatchObject({
      number: 0,
      stop: { for: 'open' },
    });
    expect(next(open, 3, [], { ladder: 'shin', side: 'left' }).number).toBe(20);
    const both = [did(0, 40, null, { side: 'none' }), did(2, 40, null, { side: 'none' })];
    expect([next(both, 3).number, next(both, 3, [], left).number]).toEqual([25, 25]);
    const board = [did(0, 5, { joints: 'pain' }, { ladder: 'press-ups', side: 'none' })];
    expect(next(board, 3).stop?.for).toBe('pain');
  });

  it('swelling is gone when the limb that told of it says so: no other hand, and no log that never asks', () => {
    const press = { ladder: 'press-ups' as const, side: 'none' as const };
    const left = did(0, 20, { swelling: 'swollen' }, { side: 'left' });
    const right = did(3, 20, {});
    expect(next([left, right], 9, [], press)).toMatchObject({ number: 0, stop: { for: 'swollen', until: null } });
    const gone = did(5, 0, {}, { side: 'left' });
    expect(next([left, right, gone], 7, [], press).stop).toBeNull();
    const log = did(3, 0, { joints: 'sore' }, { side: 'none', logged: true });
    expect(next([left, log], 9, [], { side: 'left' })).toMatchObject({ number: 0, stop: { until: null } });
    expect(next([left, { ...log, logged: false }], 9, [], { side: 'left' }).stop).toBeNull();
  });

  it('shins and press-ups go from surface to surface', () => {
    const surfaces = (ladder: 'shin' | 'press-ups') => [...new Set(stepsOf(RULE, ladder).map((x) => x.surface))];
    expect(surfaces('shin')).toEqual(['soft pad', 'settled foot of a bag']);
    expect(surfaces('press-ups')).toEqual(['mats', 'floor', 'board']);
    const all: LoadEntry[] = [];
    const seen: string[] = [];
    for (let day = 0; day < 400; day += 2) {
      const n = next(all, day, [], { ladder: 'press-ups', side: 'none' });
      if (seen.at(-1) !== n.surface) seen.push(n.surface);
      all.push(did(day, n.number, {}, { ladder: 'press-ups', side: 'none' }));
    }
    expect(seen).toEqual(['mats', 'floor', 'board']);
  });

  it('what is to come is what is allowed on the usual days, and begins again after a stop', () => {
    const open = [did(0, 20), did(2, 20, { skin: 'open' })];
    const plan = forecastLoad(open, [], RULE, 'hand', 'right', on(3), 28, [1, 4]);
    expect(plan[0]!.day >= on(16)).toBe(true);
    expect(plan.map((p) => p.number)).toEqual([20, 20, 25, 25].slice(0, plan.length));
    expect(plan.every((p) => [1, 4].includes(weekdayOf(p.day)))).toBe(true);
    const pain = [did(0, 20, { joints: 'pain' })];
    expect(forecastLoad(pain, [], RULE, 'hand', 'right', on(1), 60, [1, 4])).toEqual([]);
    expect(usualDays([on(0), on(3), on(7), on(10), on(12)], on(14))).toEqual([1, 4]);
    expect(usualDays([], on(0))).toEqual([1, 3, 5]);
  });
});

it('who may: from sixteen, a minor with the guardian’s yes, nobody whose age is not known', () => {
  expect(mayStrike('2010-02-13', true, RULE, 18, '2026-02-12')).toEqual({ may: false, why: 'age', from: '2026-02-13' });
  expect(mayStrike('2010-02-12', false, RULE, 18, '2026-02-12')).toEqual({ may: false, why: 'guardian' });
  expect(mayStrike('2010-02-12', true, RULE, 18, '2026-02-12')).toEqual({ may: true });
  expect(mayStrike('2008-02-12', false, RULE, 18, '2026-02-12')).toEqual({ may: true });
  expect(mayStrike(null, true, RULE, 18, '2026-02-12')).toEqual({ may: false, why: 'age unknown' });
});

describe('laws, on generated histories', () => {
  const aSaid = fc.record({
    skin: fc.constantFrom(...SKIN, 'fine' as const, 'fine' as const),
    swelling: fc.constantFrom(...SWELLING, 'none' as const, 'none' as const),
    joints: fc.constantFrom(...LOAD_JOINTS, 'fine' as const, 'fine' as const, 'fine' as const),
    feeling: fc.constantFrom(...FEELING, 'fine' as const, 'fine' as const, 'fine' as const),
  });
  const aDay = fc.record({
    gap: fc.integer({ min: 1, max: 9 }),
    share: fc.constantFrom(1, 1, 1, 1, 0.5, 2),
    said: fc.option(fc.oneof({ weight: 5, arbitrary: fc.constant(ALL_FINE) }, aSaid), { nil: null }),
    lift: fc.boolean(),
  });
  /** A history in which mostly as many are done as allowed, with the allowance that was shown on each day. */
  const grow = (days: { gap: number; share: number; said: LimbSaid | null; lift: boolean }[]) => {
    const entries: LoadEntry[] = [];
    const lifts: LoadLift[] = [];
    let day = 0;
    for (const d of days) {
      day += d.gap;
      const { number } = next(entries, day, lifts);
      entries.push(did(day, Math.round(number * d.share), d.said));
      if (d.lift) lifts.push(lift(day + 1, 9));
    }
    return { entries, lifts, end: day };
  };

  it('never more than the rule: at most five more for every two days without a word, and four days a week', () => {
    fc.assert(
      fc.property(fc.array(aDay, { maxLength: 40 }), (said) => {
        const { entries, lifts, end } = grow(said);
        const { days } = walkLoad(entries, lifts, RULE, 'hand', 'right', on(end));
        let fine = 0;
        for (const d of days) {
          expect(d.allowed).toBeLessThanOrEqual(Math.min(80, 20 + 5 * Math.floor(fine / 2)));
          const week = days.filter((x) => x.done > 0 && x.day < d.day && x.day > addDays(d.day, -7));
          if (week.length >= 4) expect(d.allowed).toBe(0);
          if (d.word === null || d.word === 'fine') fine += 1;
        }
      }),
      { numRuns: 200 },
    );
  });

  it('a stop is never shortened by anything but the head’s word after it', () => {
    let stops = 0;
    fc.assert(
      fc.property(fc.array(aDay, { minLength: 1, maxLength: 25 }), (said) => {
        const { entries, lifts, end } = grow(said);
        for (let day = 0; day <= end + 20; day += 1) {
          const n = next(
            entries.filter((e) => e.day < on(day)),
            day,
            lifts.filter((l) => l.day < on(day)),
          );
          const after = (e: LoadEntry) => lifts.some((l) => l.at > e.at && l.day < on(day));
          const before = entries.filter((e) => e.day < on(day) && !after(e));
          const open = before.some((e) => e.said?.skin === 'open' && e.day > on(day - 14));
          const hurt = before.some((e) => e.said?.joints === 'pain' || e.said?.feeling === 'numb');
          if (!open && !hurt) continue;
          stops += 1;
          expect(n.number).toBe(0);
        }
      }),
      { numRuns: 100 },
    );
    expect(stops).toBeGreaterThan(100);
  });

  it('hall and home of one day count together, in whatever order they came', () => {
    fc.assert(
      fc.property(fc.array(aDay, { maxLength: 20 }), fc.integer({ min: 0, max: 20 }), (said, less) => {
        const { entries, lifts, end } = grow(said);
        const parted = entries.flatMap((e) => {
          const a = Math.min(less, e.count);
          return [
            { ...e, count: e.count - a, said: null },
            { ...e, count: a },
          ];
        });
        expect(next(parted.reverse(), end + 1, lifts)).toEqual(next(entries, end + 1, lifts));
      }),
      { numRuns: 100 },
    );
  });
});
