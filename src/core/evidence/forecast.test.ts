import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addDays, dayNumber, daysBetween } from '../units/plainDate';
import { seeded } from '../units/random';
import { forecastInput, habitsFrom } from './believe';
import { NOTHING_EXPECTED, both, context, order, point, requirement, TODAY } from './testing/builders';
import { chanceMetWithin, forecast, forecastSteps, type ForecastInput } from './forecast';
import { FIRST_SLOPE, fitGrowth, poolSlope, shareAt } from './growth';
import { gatherEvidence, type Look } from './looks';
import { verdict } from './verdict';

const heel = point('rear heel');
const attended = Array.from({ length: 120 }, (_, i) => dayNumber(TODAY) - 360 + 3 * i);
const habits = { classDays: [2, 5], hoursPerClass: 1.5, lookChance: 0.5, marked: 1, slope: { mean: 0.02, sd: 0.01 } };
const weekly = (held: number, n: number): Look[] =>
  Array.from({ length: n }, (_, i) => both(addDays(TODAY, -3 - 7 * i), { 'rear heel': [held, 5] })).flat();

function input(looks: readonly Look[], more: Partial<ForecastInput> = {}, trainedSince = '2025-01-01'): ForecastInput {
  const r = requirement();
  const g = { evidence: gatherEvidence(looks, new Map()), order, today: TODAY, expected: () => NOTHING_EXPECTED };
  const asked = [{ requirement: r, name: 'Front stance', verdict: verdict(r, looks, context([heel])), settled: false }];
  return {
    ...forecastInput(asked, g, { attended, trainedSince, habits, gates: [], gradingDay: addDays(TODAY, 35) }),
    ...more,
  };
}

describe('growth', () => {
  it('finds the slope it was drawn from, and is surer the more was seen', () => {
    const random = seeded(3);
    const series = (n: number) =>
      Array.from({ length: n }, (_, i) => {
        const ago = (i * 120) / n;
        const p = shareAt(1 - 0.02 * ago);
        return { ago, held: Array.from({ length: 5 }, () => random() < p).filter(Boolean).length, of: 5 };
      });
    const wide = { level: 0, slope: { mean: 0, sd: 0.05 } };
    const much = fitGrowth(series(80), wide);
    expect(much.level).toBeCloseTo(1, 0);
    expect(Math.abs(much.slope - 0.02)).toBeLessThan(0.01);
    expect(much.root[0]).toBeLessThan(fitGrowth(series(8), wide).root[0]);
  });

  it('says what the school says where nothing was seen', () => {
    expect(fitGrowth([], { level: 0.4, slope: FIRST_SLOPE })).toMatchObject({ level: 0.4, slope: FIRST_SLOPE.mean });
    expect(poolSlope([])).toEqual(FIRST_SLOPE);
  });
});

describe('forecast', () => {
  it('is silent under eight looks, where nothing is asked, and where it may never end', () => {
    expect(forecast(input(weekly(4, 3)), seeded(1)).silent).toBe('too few looks');
    expect(forecast({ ...input(weekly(4, 9)), requirements: [] }, seeded(1)).silent).toBe('nothing asked');
    const never = input(weekly(1, 9));
    const seldom = { ...never, requirements: never.requirements.map((r) => ({ ...r, lookChance: 0.01 })) };
    expect(forecast(seldom, seeded(1), 100).silent).toBe('may never end');
  });

  it('leaves the end open where more than one try in ten, and not more than half, take over two years', () => {
    const some = input(weekly(3, 9));
    const seldom = (lookChance: number) =>
      forecast({ ...some, requirements: some.requirements.map((r) => ({ ...r, lookChance })) }, seeded(1), 200);
    const open = [0.06, 0.05, 0.04, 0.03].map(seldom).find((f) => f.silent === null && f.to === null);
    expect(open?.from).not.toBeNull();
    expect(open!.median! >= open!.from!).toBe(true);
  });

  it('a share that was read from few cases widens the range', () => {
    const long = (f: ReturnType<typeof forecast>) => daysBetween(f.from!, f.to ?? addDays(TODAY, 730));
    const often = input(weekly(3, 9));
    const of = (attends: number) => long(forecast({ ...often, attends }, seeded(3), 300));
    // Always is always; three in four may be two in three as well.
    expect(of(0.75)).toBeGreaterThan(of(1));
  });

  it('gives a range, its middle, the chance by the grading and what decides, the same for the same seed', () => {
    const f = forecast(input(weekly(3, 9)), seeded(5), 200);
    expect(f.silent).toBeNull();
    expect(f.from! <= f.median! && f.median! <= f.to!).toBe(true);
    expect(f.from! >= TODAY).toBe(true);
    expect(f.decides).toMatchObject({ kind: 'requirement', name: 'Front stance' });
    expect(f.decides!.share).toBeGreaterThan(0.9);
    expect(f.byGrading).toBeGreaterThanOrEqual(0);
    expect(f).toEqual(forecast(input(weekly(3, 9)), seeded(5), 200));
  });

  it('comes sooner for who holds more, and for who comes more', () => {
    const at = (i: ForecastInput) => forecast(i, seeded(2), 200).median!;
    expect(at(input(weekly(4, 9))) < at(input(weekly(3, 9)))).toBe(true);
    const seldom = { ...input(weekly(3, 9)), attends: 0.3 };
    expect(at({ ...seldom, attends: 0.9 }) < at(seldom)).toBe(true);
    const f = forecast(seldom, seeded(2), 200);
    const more = f.changes.find((c) => c.what === 'one more class a week')!;
    expect(more.median! < f.median!).toBe(true);
  });

  it('is today where all is met, and waits for a gate that time opens', () => {
    const met = input(weekly(5, 9));
    expect(forecast(met, seeded(1), 50).from! <= addDays(TODAY, 7)).toBe(true);
    const opens = addDays(TODAY, 60);
    const f = forecast({ ...met, gates: [{ id: 'g', name: 'Six months', opens }] }, seeded(1), 100);
    expect(f.from! >= opens).toBe(true);
    expect(f.decides).toMatchObject({ kind: 'gate', name: 'Six months' });
    const aside = forecast({ ...met, gates: [{ id: 'c', name: 'Consent', aside: true }] }, seeded(1), 50);
    expect([aside.silent, aside.aside]).toEqual([null, ['Consent']]);
  });

  it('hours count as they are attended', () => {
    const met = input(weekly(5, 9), { attends: 1 });
    const f = forecast({ ...met, gates: [{ id: 'h', name: 'Hours', hours: 15 }] }, seeded(1), 60);
    // Ten classes of an hour and a half, two a week: the fifth week.
    expect(f.median! >= addDays(TODAY, 28) && f.median! <= addDays(TODAY, 42)).toBe(true);
  });

  it('takes an old habit of a long-trained student to mend slowly (F 31, a rule of thumb; common practice, no source)', () => {
    const old = [...weekly(3, 9), ...both(addDays(TODAY, -400), { 'rear heel': [2, 5] })];
    const long = input(old, {}, '2022-01-01');
    expect(long.requirements[0]!.points.every((p) => p.habit)).toBe(true);
    expect(input(old, {}, '2025-01-01').requirements[0]!.points.some((p) => p.habit)).toBe(false);
    const quick = {
      ...long,
      requirements: long.requirements.map((r) => ({ ...r, points: r.points.map((p) => ({ ...p, habit: false })) })),
    };
    const [slow, fast] = [forecast(long, seeded(2), 200), forecast(quick, seeded(2), 200)];
    expect(slow.silent === 'may never end' || slow.median! > fast.median!).toBe(true);
    expect(slow.decides?.habit ?? 'rear heel').toBe('rear heel');
  });

  it('within some weeks: never less in more weeks, sure for who has all, silent for who is not known', () => {
    const within = (weeks: number) => chanceMetWithin(input(weekly(3, 9)), weeks, seeded(4), 200)!;
    expect(within(12)).toBeGreaterThanOrEqual(within(4) - 0.08);
    expect(chanceMetWithin(input(weekly(5, 9)), 4, seeded(1))).toBeGreaterThan(0.9);
    expect(chanceMetWithin(input(weekly(5, 2)), 4, seeded(1))).toBeNull();
  });

  it('says how far it has come and can be left at any step', () => {
    const steps = forecastSteps(input(weekly(3, 9)), seeded(1), 200);
    const first = steps.next();
    expect(first.done).toBe(false);
    expect(first.value as number).toBeGreaterThan(0);
    expect(first.value as number).toBeLessThan(1);
  });

  it('is silent too where just half of the tries never end: there is no middle then', () => {
    // Two tries and a look now and then: some seed has one of each.
    const seldom = input(weekly(2, 9));
    const halves = Array.from({ length: 60 }, (_, seed) => forecast(seldom, seeded(seed), 2));
    expect(halves.some((f) => f.silent === 'may never end' && f.decides !== null)).toBe(true);
    expect(halves.every((f) => (f.silent === null) === (f.median !== null))).toBe(true);
  });

  it('law: no range begins before today or ends before it begins', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 8, max: 14 }), fc.integer(), (held, n, seed) => {
        const f = forecast(input(weekly(held, n)), seeded(seed), 40);
        if (f.silent !== null) return;
        expect(f.from! >= TODAY && f.median! >= f.from!).toBe(true);
        if (f.to !== null) expect(f.to >= f.median!).toBe(true);
      }),
      { numRuns: 25 },
    );
  });
});

it('a school’s habits: class days from today on, and how often somebody is looked at', () => {
  const today = dayNumber(TODAY);
  const classes = [1, 8, 15, 22, 3, 10].map((ago) => ({ day: today - ago, minutes: 90 }));
  const h = habitsFrom(
    { today: TODAY, classes, lookDays: 60, attended: 100, asked: 6, marks: 80, points: 100 },
    FIRST_SLOPE,
  );
  // A class yesterday is again in six days; the other weekday had class only twice.
  expect(h).toMatchObject({ classDays: [6], hoursPerClass: 1.5, lookChance: 0.1, marked: 0.8 });
});
