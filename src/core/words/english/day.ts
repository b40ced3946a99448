import { MONTHS, type PlainDate } from '../../units';

/** "29 January", with the year where it is not that of `today`. */
export function dayInWords(date: PlainDate, today: PlainDate): string {
  const words = `${+date.slice(8, 10)} ${MONTHS[+date.slice(5, 7) - 1]}`;
  return date.slice(0, 4) === today.slice(0, 4) ? words : `${words} ${date.slice(0, 4)}`;
}
