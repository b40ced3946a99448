import type { LoadView } from '../../../contracts/views';
import {
  addDays,
  forecastLoad,
  LADDER_SIDES,
  nextLoad,
  usualDays,
  walkLoad,
  weekdayOf,
  type Ladder,
  type LimbWalk,
  type NextLoad,
  type PlainDate,
  type Side,
} from '../../../core';

/** A limb of a ladder: how it went, what is next, and what would come of it. */
export interface Limb {
  side: Side;
  walk: LimbWalk;
  next: NextLoad;
  ahead: { day: PlainDate; number: number }[];
}

/** The Monday of a day’s week. */
export const monday = (day: PlainDate): PlainDate => addDays(day, -((weekdayOf(day) + 6) % 7));

/** So many weeks are shown, and of these so many are to come. */
export const WEEKS = 11;
export const WEEKS_AHEAD = 3;

/** Each limb of a ladder as it stands before anything is done on `day`, with the next weeks on the usual days. */
export function limbsOf(view: LoadView, ladder: Ladder, day: PlainDate): Limb[] {
  const { entries, lifts, rule, today } = view;
  const struck = entries.filter((e) => e.ladder === ladder && e.count > 0).map((e) => e.day);
  const on = usualDays(struck, today);
  const doneToday = struck.includes(today);
  const from = doneToday ? addDays(today, 1) : today;
  const end = addDays(monday(today), WEEKS_AHEAD * 7);
  const days = Math.max(0, Math.round((Date.parse(end) - Date.parse(from)) / 86_400_000));
  return LADDER_SIDES[ladder].map((side) => {
    const walk = walkLoad(entries, lifts, rule, ladder, side, day);
    return {
      side,
      walk,
      next: nextLoad(walk, rule, day),
      ahead: forecastLoad(entries, lifts, rule, ladder, side, from, days, on),
    };
  });
}

/** The day for which the number is asked: today, or tomorrow once something was done today. */
export const askedDay = (view: LoadView, ladder: Ladder): PlainDate =>
  view.entries.some((e) => e.ladder === ladder && e.day === view.today && e.count > 0)
    ? addDays(view.today, 1)
    : view.today;
