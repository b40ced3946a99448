import { addDays, addMonths, weekdayOf, type PlainDate } from '../../units/plainDate';
import type { Side } from '../../units/side';
import type { Ladder, LoadRule } from './rule';
import {
  allowedOn,
  maySnap,
  restsThisWeek,
  walkLoad,
  type LimbWalk,
  type LoadEntry,
  type LoadLift,
  type LoadStop,
  type LoadWhy,
} from './walk';

/** What a limb may do next, and why. */
export interface NextLoad {
  ladder: Ladder;
  side: Side;
  number: number;
  surface: string;
  /** The fast return may be added. */
  snap: boolean;
  stop: LoadStop | null;
  /** The week has had as many days as it may: not before this day; null: it has not. */
  weekUntil: PlainDate | null;
  why: LoadWhy;
  /** The number on which it goes on once it may. */
  then: number;
}

/** The next day's number of a limb, as it stands at the beginning of that day. */
export function nextLoad(walk: LimbWalk, rule: LoadRule, day: PlainDate): NextLoad {
  const { state, days } = walk;
  const struck = days.filter((d) => d.done > 0).map((d) => d.day);
  let free = day;
  while (restsThisWeek(struck, rule, free)) free = addDays(free, 1);
  return {
    ladder: state.ladder,
    side: state.side,
    number: allowedOn(state, struck, rule, day),
    surface: rule.ladders[state.ladder][state.surface]!.name,
    snap: maySnap(state, rule),
    stop: state.stop,
    weekUntil: free > day ? free : null,
    why: state.why,
    then: state.number,
  };
}

/** What stands still, each stop once: both sides that stop for the same are one, and press-ups go with the hands. */
export function stopsOf(list: readonly NextLoad[]): { ladder: Ladder; side: Side; stop: LoadStop }[] {
  const stopped = list.flatMap(({ ladder, side, stop }) => (stop ? [{ ladder, side, stop }] : []));
  const same = (a: LoadStop, b: LoadStop) => a.for === b.for && a.since === b.since && a.until === b.until;
  return stopped.flatMap((s, i) => {
    const like = stopped.filter((o) => o.ladder === s.ladder && same(o.stop, s.stop));
    if (s.ladder === 'press-ups' && stopped.some((o) => o.ladder === 'hand' && same(o.stop, s.stop))) return [];
    if (like.length === 1) return [s];
    return like[0] === stopped[i] ? [{ ...s, side: 'none' as const }] : [];
  });
}

/** The days of the week on which somebody worked lately, 0 Sunday; nobody yet: every other day. */
export function usualDays(struck: readonly PlainDate[], today: PlainDate): readonly number[] {
  const lately = struck.filter((d) => d <= today && d > addDays(today, -28)).map(weekdayOf);
  const days = [...new Set(lately)].filter((w) => lately.filter((x) => x === w).length >= 2);
  return days.length > 0 ? days.sort() : [1, 3, 5];
}

/**
 * What a limb would do on its usual days if it says nothing and nothing more than allowed is done: the numbers of so many
 * days from a day on. A stop without an end gives none.
 */
export function forecastLoad(
  entries: readonly LoadEntry[],
  lifts: readonly LoadLift[],
  rule: LoadRule,
  ladder: Ladder,
  side: Side,
  from: PlainDate,
  days: number,
  on: readonly number[],
): { day: PlainDate; number: number; surface: string }[] {
  const out: { day: PlainDate; number: number; surface: string }[] = [];
  const done = [...entries];
  for (let i = 0; i < days; i += 1) {
    const day = addDays(from, i);
    if (!on.includes(weekdayOf(day)) || entries.some((e) => e.day === day && e.count > 0)) continue;
    const next = nextLoad(walkLoad(done, lifts, rule, ladder, side, day), rule, day);
    if (next.number === 0) continue;
    out.push({ day, number: next.number, surface: next.surface });
    done.push({ day, at: `${day}T23:59:59Z`, ladder, side, count: next.number, said: null });
  }
  return out;
}

/** Whether somebody may do work that hardens at all. */
export type MayStrike =
  | { may: true }
  | { may: false; why: 'age'; from: PlainDate }
  | { may: false; why: 'age unknown' }
  | { may: false; why: 'guardian' };

/** Under the school's age soft targets only; a minor's guardian says yes first. Whose age is not known may not. */
export function mayStrike(
  born: PlainDate | null,
  guardianSaid: boolean,
  rule: LoadRule,
  ofAge: number,
  day: PlainDate,
): MayStrike {
  if (born === null) return { may: false, why: 'age unknown' };
  const old = addMonths(born, rule.fromAge * 12);
  if (day < old) return { may: false, why: 'age', from: old };
  if (day < addMonths(born, ofAge * 12) && !guardianSaid) return { may: false, why: 'guardian' };
  return { may: true };
}

/** From when on a single heavy blow may be thought of; null: nothing was done on the ladder yet. The head says so as well. */
export const singleFrom = (walk: LimbWalk, rule: LoadRule): PlainDate | null =>
  walk.state.began && addMonths(walk.state.began, rule.singleAfterMonths);
