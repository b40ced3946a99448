import type { Side } from '../../units/side';

/** What work that hardens is counted apart: each has a ladder of its own. */
export const LADDERS = ['hand', 'foot', 'shin', 'press-ups'] as const;
export type Ladder = (typeof LADDERS)[number];

/** The limbs of a ladder, each of which stands for itself; `none`: both at once. */
export const LADDER_SIDES: Record<Ladder, readonly Side[]> = {
  hand: ['right', 'left'],
  foot: ['right', 'left'],
  shin: ['right', 'left'],
  'press-ups': ['none'],
};

/** Kinds of blows, and on which ladder they count. */
export const BLOWS = {
  straight: 'hand',
  'outside-in': 'hand',
  'inside-out': 'hand',
  'ball-of-foot kick': 'foot',
  'shin kick': 'shin',
  'press-up': 'press-ups',
} as const satisfies Record<string, Ladder>;
export type Blow = keyof typeof BLOWS;

/** One surface of a ladder: begun with so many, so many more after so many fine days, and from so many on the next. */
export interface LoadSurface {
  name: string;
  begin: number;
  step: number;
  fineDays: number;
  /** So many a day on it are enough: from there on to the next surface, or no further. */
  most: number;
}

/** The school's numbers for work that hardens. */
export interface LoadRule {
  /** Before it soft targets only. */
  fromAge: number;
  ladders: Record<Ladder, readonly LoadSurface[]>;
  /** The fast return comes from so many a day on, shown without a word on so many days; from there on steps take longer. */
  snapFrom: number;
  snapAfter: number;
  fineDaysFromSnap: number;
  /** So many days in any seven. */
  perWeek: number;
  /** Open skin rests so many days. */
  openDays: number;
  /** Swelling has to be gone so many days. */
  swellingDays: number;
  /** Who did nothing for so many days goes on with half. */
  pauseDays: number;
  /** A single heavy blow after so many months on the ladder, and only if the head said so. */
  singleAfterMonths: number;
}

/**
 * As delivered: twenty easy ones, fifty repeatedly without soreness before the fast return, two weeks for open skin, about
 * two years before a single heavy blow, sixteen years of age, shins and press-ups on ladders of their own (F 47, F 48, F 61:
 * common practice, no source). Steps of five, days, four days a week, half after four weeks and all ends are ours.
 */
export const LOAD_AS_DELIVERED: LoadRule = {
  fromAge: 16,
  ladders: {
    hand: [{ name: 'post', begin: 20, step: 5, fineDays: 2, most: 80 }],
    foot: [{ name: 'post', begin: 20, step: 5, fineDays: 2, most: 80 }],
    shin: [
      { name: 'soft pad', begin: 20, step: 5, fineDays: 2, most: 50 },
      { name: 'settled foot of a bag', begin: 20, step: 5, fineDays: 3, most: 50 },
    ],
    'press-ups': [
      { name: 'mats', begin: 5, step: 1, fineDays: 2, most: 20 },
      { name: 'floor', begin: 5, step: 1, fineDays: 2, most: 20 },
      { name: 'board', begin: 5, step: 1, fineDays: 3, most: 20 },
    ],
  },
  snapFrom: 50,
  snapAfter: 2,
  fineDaysFromSnap: 3,
  perWeek: 4,
  openDays: 14,
  swellingDays: 2,
  pauseDays: 28,
  singleAfterMonths: 24,
};

/** So many fine days are asked at a number, on a surface, before the next step. */
export const fineDaysAt = (rule: LoadRule, ladder: Ladder, surface: LoadSurface, number: number): number =>
  snaps(ladder) && number >= rule.snapFrom ? Math.max(surface.fineDays, rule.fineDaysFromSnap) : surface.fineDays;

/** Whether a ladder has a fast return. */
export const snaps = (ladder: Ladder): boolean => ladder === 'hand' || ladder === 'foot';

/** The numbers of a ladder one after another, with the fine days that each asks; the last asks none. */
export function stepsOf(
  rule: LoadRule,
  ladder: Ladder,
): { surface: string; number: number; fineDays: number | null }[] {
  const surfaces = rule.ladders[ladder];
  return surfaces.flatMap((s, i) => {
    const numbers: number[] = [];
    for (let n = s.begin; n < s.most; n += s.step) numbers.push(n);
    numbers.push(s.most);
    return numbers.map((number, k) => ({
      surface: s.name,
      number,
      fineDays: i === surfaces.length - 1 && k === numbers.length - 1 ? null : fineDaysAt(rule, ladder, s, number),
    }));
  });
}
