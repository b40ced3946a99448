import { MONTHS, weekdayOf, type PlainDate } from '../../units';

/** "29 January", with the year where it is not that of `today`. */
export function dayInWords(date: PlainDate, today: PlainDate): string {
  const words = `${+date.slice(8, 10)} ${MONTHS[+date.slice(5, 7) - 1]}`;
  return date.slice(0, 4) === today.slice(0, 4) ? words : `${words} ${date.slice(0, 4)}`;
}

/** From 0, Sunday. */
export const WEEKDAYS = ['Sunday', 'Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday'] as const;

export const weekdayInWords = (day: PlainDate): string => WEEKDAYS[weekdayOf(day)]!;
