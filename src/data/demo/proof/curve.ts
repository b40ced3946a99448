import {
  addDays,
  conditionOrder,
  dayNumber,
  judge,
  STEADY,
  type Entry,
  type Evidence,
  type PlainDate,
  type Point,
  type Random,
  type Standard,
} from '../../../core';

/** True shares: of the points that are not critical, of the critical ones, and of one critical point alone where said. */
export interface TrueShares {
  others: number;
  critical: number;
  weakest?: number;
}

const LOOKS = 9;
const REPETITIONS = 5;
const CRITICAL = 3;
const CONDITION = 'as asked';

const order = (() => {
  const made = conditionOrder([CONDITION], []);
  if (!made.ok) throw new Error('one condition stands in a circle');
  return made.value;
})();

const pointsOf = (n: number): Point[] =>
  Array.from({ length: n }, (_, i) => ({
    id: `p${i}`,
    name: `point ${i}`,
    how: '',
    why: '',
    kind: 'seen',
    bodyPart: 'feet',
    critical: i < CRITICAL,
    unit: null,
    accepted: null,
    wanted: null,
    measuredBy: null,
    slips: [],
  }));

/** What nine looks of five at every point on both sides show, four days apart, drawn from the true shares. */
function watched(points: readonly Point[], shares: TrueShares, today: PlainDate, random: Random): Evidence {
  const last = dayNumber(today);
  return new Map(
    points.map((p, i) => {
      const share =
        i === 0 && shares.weakest !== undefined ? shares.weakest : p.critical ? shares.critical : shares.others;
      const looks = () =>
        Array.from({ length: LOOKS }, (_x, k): Entry => {
          let held = 0;
          for (let r = 0; r < REPETITIONS; r += 1) if (random() < share) held += 1;
          return { day: last - 4 * k, at: 0, conditionId: CONDITION, purpose: null, held, of: REPETITIONS };
        });
      return [p.id, { left: looks(), right: looks(), none: [] }];
    }),
  );
}

/**
 * The operating curve of the verdict: how often a two-sided item of 8 to 11 points, three of them critical, is called met
 * after nine looks at every point, by true share.
 */
export function calledMet(shares: TrueShares, random: Random, items = 400, standard: Standard = STEADY): number {
  const today = addDays('2026-01-01', 60);
  let met = 0;
  for (let i = 0; i < items; i += 1) {
    const points = pointsOf(8 + (i % 4));
    const v = judge(
      {
        id: 'r',
        item: { technique: 't' },
        conditionId: CONDITION,
        purpose: null,
        stage: null,
        rung: null,
        critical: false,
        opens: null,
        standard,
      },
      watched(points, shares, today, random),
      { points, sided: true, order, today },
    );
    if (v.word === 'met') met += 1;
  }
  return met / items;
}
