import type { Side } from '../../units/side';
import { addDays, type PlainDate } from '../../units/plainDate';
import { wordsOf, worstOf, type LimbSaid, type LoadWord } from './hands';
import { fineDaysAt, snaps, type Ladder, type LoadRule } from './rule';

/** What one limb did on a day, at the hall or at home, and what it said; what nobody asked counts as fine. */
export interface LoadEntry {
  day: PlainDate;
  /** When it was written down, ISO 8601. */
  at: string;
  ladder: Ladder;
  /** `none`: both hands at once, as with press-ups, or nobody said which. */
  side: Side;
  /** How many; 0: nothing was done, it only says how it is. */
  count: number;
  said: LimbSaid | null;
  /** From a log that asks neither for swelling nor for feeling: it cannot tell that either is gone. */
  logged?: boolean;
}

/** The head's word on a stop: it is over, with a reason. */
export interface LoadLift {
  day: PlainDate;
  at: string;
  ladder: Ladder;
  side: Side;
}

/** Why work on a ladder stands still. */
export interface LoadStop {
  for: 'open' | 'swollen' | 'pain' | 'numb';
  since: PlainDate;
  /** The first day on which it may go on; null: until it is said to be gone (swollen), or the head lifts it. */
  until: PlainDate | null;
}

/** What decided the number. */
export type LoadWhy =
  | { kind: 'begin' }
  | { kind: 'fine'; days: number; of: number }
  | { kind: 'grew'; days: number }
  | { kind: 'surface'; days: number }
  | { kind: 'most' }
  | { kind: 'fewer' }
  | { kind: 'more'; done: number; allowed: number }
  | { kind: 'paused'; days: number }
  | { kind: 'lifted' }
  | { kind: 'said'; word: Exclude<LoadWord, 'fine'> };

/** Where a limb stands on its ladder. */
export interface LimbState {
  ladder: Ladder;
  side: Side;
  /** Which surface of the ladder, from 0. */
  surface: number;
  number: number;
  /** Fine days since the last step. */
  fine: number;
  /** Fine days at the number from which the fast return comes, without a break. */
  fineAtSnap: number;
  stop: LoadStop | null;
  why: LoadWhy;
  /** The first day on the ladder, and the last; null: never. */
  began: PlainDate | null;
  last: PlainDate | null;
}

/** A day on the ladder as it was. */
export interface LoadDay {
  day: PlainDate;
  allowed: number;
  done: number;
  /** The worst that was said; null: asked or not, nothing was. */
  word: LoadWord | null;
  asked: boolean;
  said: readonly LoadWord[];
}

export interface LimbWalk {
  state: LimbState;
  days: LoadDay[];
}

/** Half, to the nearest five of what it began with, and never above it nor under half of what one begins with. */
const halved = (n: number, begin: number): number => {
  const to = begin >= 10 ? 5 : 1;
  return Math.min(n, Math.max(Math.ceil(begin / 2 / to) * to, Math.round(n / 2 / to) * to));
};

/**
 * Whether what an entry says is about this limb: knuckles carry press-ups as well, so that each hand's skin stops them, and
 * theirs stops both hands. Nobody said which side: both.
 */
const concerns = (e: LoadEntry, ladder: Ladder, side: Side): boolean =>
  e.ladder === ladder
    ? e.side === 'none' || side === 'none' || e.side === side
    : (ladder === 'press-ups' && e.ladder === 'hand') || (ladder === 'hand' && e.ladder === 'press-ups');

/** How many of an entry this limb did. Nobody said which side: half of it each, rounded up. */
const doneBy = (e: LoadEntry, ladder: Ladder, side: Side): number =>
  e.ladder !== ladder || (e.side !== side && e.side !== 'none')
    ? 0
    : e.side === 'none' && side !== 'none'
      ? Math.ceil(e.count / 2)
      : e.count;

/** What stops a limb, each with when it was said last. */
interface Stopping {
  open: { since: PlainDate; until: PlainDate; at: string } | null;
  /** `sides`: those that were told of, until each says that it is gone. */
  swollen: { since: PlainDate; gone: PlainDate | null; at: string; sides: ReadonlySet<Side> } | null;
  hurt: { for: 'pain' | 'numb'; since: PlainDate; at: string } | null;
}

/** The stop that lasts longest on a day; null: nothing stops it. */
function stopOn({ open, swollen, hurt }: Stopping, rule: LoadRule, day: PlainDate): LoadStop | null {
  if (hurt) return { for: hurt.for, since: hurt.since, until: null };
  const clear = swollen?.gone ? addDays(swollen.gone, rule.swellingDays) : null;
  const heals = open && day < open.until ? open.until : null;
  if (swollen && (clear === null || (day < clear && (heals === null || heals <= clear))))
    return { for: 'swollen', since: swollen.since, until: clear };
  return open && heals ? { for: 'open', since: open.since, until: heals } : null;
}

/** How many are allowed on a day, as a limb stands. `struck` are the days before on which it worked. */
export function allowedOn(s: LimbState, struck: readonly PlainDate[], rule: LoadRule, day: PlainDate): number {
  if (s.stop !== null && (s.stop.until === null || day < s.stop.until)) return 0;
  return restsThisWeek(struck, rule, day) ? 0 : s.number;
}

/** Whether as many of the last six days were worked on as a week allows. */
export function restsThisWeek(struck: readonly PlainDate[], rule: LoadRule, day: PlainDate): boolean {
  const week = addDays(day, -7);
  return new Set(struck.filter((d) => d < day && d > week)).size >= rule.perWeek;
}

/**
 * A limb's way on its ladder up to a day, from all that was done and said: a state machine that walks from day to day.
 *
 * Fine days make it grow; sore stands still; red halves; swollen halves and rests until it has been gone; open rests two
 * weeks and begins anew; pain and numbness rest until the head lifts it, with a reason. What is more than allowed is kept
 * and gives no growth. A stop only ever becomes longer, unless the head lifts it after what was said. Source: F 47, F 48,
 * F 61 (common practice, no source); the rest is ours, see `LOAD_AS_DELIVERED`.
 */
export function walkLoad(
  entries: readonly LoadEntry[],
  lifts: readonly LoadLift[],
  rule: LoadRule,
  ladder: Ladder,
  side: Side,
  upTo: PlainDate,
): LimbWalk {
  const surfaces = rule.ladders[ladder];
  const mine = entries.filter((e) => e.day <= upTo && concerns(e, ladder, side));
  const lifted = lifts.filter(
    (l) => l.day <= upTo && l.ladder === ladder && (l.side === side || l.side === 'none' || side === 'none'),
  );
  const s: LimbState = {
    ladder,
    side,
    surface: 0,
    number: surfaces[0]!.begin,
    fine: 0,
    fineAtSnap: 0,
    stop: null,
    why: { kind: 'begin' },
    began: null,
    last: null,
  };
  const days: LoadDay[] = [];
  const struck: PlainDate[] = [];
  /** What stops it, each with its end and when it was said last. */
  const by: Stopping = { open: null, swollen: null, hurt: null };
  const lift = (day: PlainDate) => {
    for (const l of lifted) {
      if (l.day > day) continue;
      let any = false;
      for (const of of ['open', 'swollen', 'hurt'] as const) {
        if (by[of] === null || l.at < by[of].at) continue;
        by[of] = null;
        any = true;
      }
      if (any) s.why = { kind: 'lifted' };
    }
  };
  const anew = () => {
    s.number = Math.min(s.number, surfaces[s.surface]!.begin);
    s.fine = 0;
    s.fineAtSnap = 0;
  };
  const paused = () => {
    const { begin } = surfaces[s.surface]!;
    s.number = Math.max(Math.min(begin, s.number), halved(s.number, begin));
    s.fine = 0;
    s.fineAtSnap = 0;
    s.why = { kind: 'paused', days: rule.pauseDays };
  };
  const byDay = new Map<PlainDate, LoadEntry[]>(lifted.map((l) => [l.day, []]));
  for (const e of mine) byDay.set(e.day, [...(byDay.get(e.day) ?? []), e]);
  for (const [day, of] of [...byDay].sort(([a], [b]) => (a < b ? -1 : 1))) {
    lift(day);
    if (of.length === 0) continue;
    const done = of.reduce((n, e) => n + doneBy(e, ladder, side), 0);
    const said = of.flatMap((e) => (e.said ? wordsOf(e.said) : []));
    const word = worstOf(said);
    const at = of
      .map((e) => e.at)
      .sort()
      .at(-1)!;
    s.stop = stopOn(by, rule, day);
    if (done > 0 && s.last !== null && s.last < addDays(day, -rule.pauseDays) && s.stop === null) paused();
    const allowed = allowedOn(s, struck, rule, day);
    days.push({ day, allowed, done, word: said.length > 0 ? word : null, asked: of.some((e) => e.said), said });
    if (done > 0) {
      s.began ??= day;
      s.last = day;
      struck.push(day);
    }
    // Gone is what was asked for and not told of any more, by the very limb that told of it: one hand never speaks for both.
    const { swollen } = by;
    if (swollen?.gone === null) {
      const gone = of.filter((e) => e.said?.swelling === 'none' && !e.logged).map((e) => e.side);
      const all = gone.includes('none') || (side !== 'none' && gone.length > 0);
      swollen.sides = new Set(all ? [] : [...swollen.sides].filter((x) => !gone.includes(x)));
      if (swollen.sides.size === 0 && !said.includes('swollen')) swollen.gone = day;
    }
    if (said.includes('swollen')) {
      const still = swollen && (swollen.gone === null || day < addDays(swollen.gone, rule.swellingDays));
      if (!still) s.number = halved(s.number, surfaces[s.surface]!.begin);
      const told = of.filter((e) => e.said?.swelling === 'swollen').map((e) => e.side);
      const sides = new Set([...(still && swollen.gone === null ? swollen.sides : []), ...told]);
      by.swollen = { since: still ? swollen.since : day, gone: null, at, sides };
    }
    if (said.includes('pain') || said.includes('numb')) {
      by.hurt = { for: said.includes('pain') ? 'pain' : 'numb', since: by.hurt?.since ?? day, at };
      anew();
    }
    if (said.includes('open')) {
      const still = by.open !== null && day < by.open.until ? by.open : null;
      by.open = { since: still?.since ?? day, until: addDays(day, rule.openDays), at };
      anew();
    }
    const stopped = s.stop !== null;
    if (word !== 'fine') {
      s.fine = 0;
      s.fineAtSnap = 0;
      if (word === 'red' && !stopped) s.number = halved(s.number, surfaces[s.surface]!.begin);
      s.why = { kind: 'said', word };
    } else if (done > allowed) {
      s.fine = 0;
      s.why = { kind: 'more', done, allowed };
    } else if (done > 0) step(s, done, rule);
    lift(day);
  }
  s.stop = stopOn(by, rule, upTo);
  if (s.stop === null && s.last !== null && s.last < addDays(upTo, -rule.pauseDays)) paused();
  return { state: s, days };
}

/** A day without a word on which no more was done than allowed. */
function step(s: LimbState, done: number, rule: LoadRule): void {
  const surfaces = rule.ladders[s.ladder];
  const on = surfaces[s.surface]!;
  if (done < s.number) {
    s.fine = 0;
    s.why = { kind: 'fewer' };
    return;
  }
  s.fine += 1;
  if (snaps(s.ladder) && s.number >= rule.snapFrom) s.fineAtSnap += 1;
  const need = fineDaysAt(rule, s.ladder, on, s.number);
  if (s.fine < need) {
    s.why = { kind: 'fine', days: s.fine, of: need };
    return;
  }
  s.fine = 0;
  if (s.number < on.most) {
    s.number = Math.min(on.most, s.number + on.step);
    s.why = { kind: 'grew', days: need };
  } else if (s.surface < surfaces.length - 1) {
    s.surface += 1;
    s.number = surfaces[s.surface]!.begin;
    s.why = { kind: 'surface', days: need };
  } else s.why = { kind: 'most' };
}

/** Whether the fast return may be added. */
export const maySnap = (s: LimbState, rule: LoadRule): boolean =>
  snaps(s.ladder) && s.number >= rule.snapFrom && s.fineAtSnap >= rule.snapAfter;
