import { addDays, weekdayOf, type PlainDate } from '../units/plainDate';
import type { WeeklyClass } from './model';

/** A class that was held: when, how long, how many came. */
export interface HeldClass {
  day: PlainDate;
  starts: number | null;
  minutes: number;
  hallId: string | null;
  people: number;
}

/** How many come on a weekday: the middle, and between which numbers eight of ten classes lie. */
export interface UsuallyCome {
  weekday: number;
  classes: number;
  middle: number;
  low: number;
  high: number;
}

/** Weeks that are looked back, and in which part of them a weekday must have had a class to be one of a school's days. */
const WEEKS = 8;
const PART = 0.5;

const at = (sorted: readonly number[], share: number) => sorted[Math.round(share * (sorted.length - 1))]!;

const lately = (held: readonly HeldClass[], today: PlainDate) => {
  const since = addDays(today, -7 * WEEKS);
  return held.filter((c) => c.day > since && c.day <= today);
};

/** Who usually comes, by weekday from Sunday; weekdays without a class are left out. */
export function usuallyCome(held: readonly HeldClass[], today: PlainDate): UsuallyCome[] {
  const recent = lately(held, today);
  return [0, 1, 2, 3, 4, 5, 6].flatMap((weekday) => {
    const list = recent
      .filter((c) => weekdayOf(c.day) === weekday)
      .map((c) => c.people)
      .sort((a, b) => a - b);
    if (list.length === 0) return [];
    return [{ weekday, classes: list.length, middle: at(list, 0.5), low: at(list, 0.1), high: at(list, 0.9) }];
  });
}

/** The classes of a school's week as the last weeks had them; the newest of a weekday says hour, length and hall. */
export function weeklyFrom(held: readonly HeldClass[], today: PlainDate, usualStart: number): WeeklyClass[] {
  const recent = lately(held, today).sort((a, b) => (a.day < b.day ? 1 : -1));
  return [1, 2, 3, 4, 5, 6, 0].flatMap((weekday) => {
    const list = recent.filter((c) => weekdayOf(c.day) === weekday);
    const last = list[0];
    if (!last || new Set(list.map((c) => c.day)).size < WEEKS * PART) return [];
    const starts = list.find((c) => c.starts !== null)?.starts ?? usualStart;
    return [{ weekday, starts, minutes: last.minutes, hallId: last.hallId }];
  });
}
