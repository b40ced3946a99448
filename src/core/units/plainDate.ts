import { fail, ok, type Result } from './result';

/** A calendar date without time or zone, written `YYYY-MM-DD`. Such texts sort and compare as dates do. */
export type PlainDate = string;

export const MONTHS = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;

/** Nobody on a roll was born before, and nothing is planned after. */
const [FIRST_YEAR, LAST_YEAR] = [1910, 2100];

const isLeap = (year: number) => (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;

const daysIn = (year: number, month: number) =>
  month === 2 ? (isLeap(year) ? 29 : 28) : [4, 6, 9, 11].includes(month) ? 30 : 31;

const two = (n: number) => String(n).padStart(2, '0');

const ordinal = (n: number) => n + (n % 100 >= 11 && n % 100 <= 13 ? 'th' : (['th', 'st', 'nd', 'rd'][n % 10] ?? 'th'));

/** Builds a date from its parts, 1-based; says what is impossible about it ("February has no 31st."). */
export function plainDate(year: number, month: number, day: number): Result<PlainDate> {
  if (month < 1 || month > 12) return fail(`There is no month ${month}.`);
  if (year < FIRST_YEAR || year > LAST_YEAR) return fail(`The year ${year} cannot be right.`);
  if (day < 1) return fail(`There is no day ${day}.`);
  if (day > daysIn(year, month)) {
    const why = month === 2 && day === 29 ? ` in ${year}` : '';
    return fail(`${MONTHS[month - 1]} has no ${ordinal(day)}${why}.`);
  }
  return ok(`${year}-${two(month)}-${two(day)}`);
}

const monthOf = (word: string) => {
  const start = word.toLowerCase();
  if (start.length < 3) return 0;
  return MONTHS.findIndex((m) => m.toLowerCase().startsWith(start)) + 1;
};

/**
 * Reads a date as people write it in a list: `2010-05-04`, `4 May 2010`, `May 4, 2010`, `4.5.2010`, and `25/5/2010` where
 * only one order is possible. Refuses what could be read two ways. A year of two digits is one of this century, or of the
 * last one where the day would come after `notAfter`.
 */
export function readDate(text: string, notAfter?: PlainDate): Result<PlainDate> {
  const s = text.trim().replace(/\s+/g, ' ');
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(s);
  if (iso) return plainDate(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const dotted = /^(\d{1,2})\. ?(\d{1,2})\. ?(\d{4}|\d{2})$/.exec(s);
  if (dotted) return inCentury(dotted[3]!, Number(dotted[2]), Number(dotted[1]), notAfter);
  const dayFirst = /^(\d{1,2})(?:st|nd|rd|th)?\.? ([A-Za-z]+)\.?,? (\d{4}|\d{2})$/.exec(s);
  const monthFirst = /^([A-Za-z]+)\.? (\d{1,2})(?:st|nd|rd|th)?,? (\d{4}|\d{2})$/.exec(s);
  const named = dayFirst
    ? { day: dayFirst[1]!, month: dayFirst[2]!, year: dayFirst[3]! }
    : monthFirst
      ? { day: monthFirst[2]!, month: monthFirst[1]!, year: monthFirst[3]! }
      : null;
  if (named) {
    const month = monthOf(named.month);
    if (!month) return fail(`“${named.month}” is no month.`);
    return inCentury(named.year, month, Number(named.day), notAfter);
  }
  const slashed = /^(\d{1,2})\/(\d{1,2})\/(\d{4}|\d{2})$/.exec(s);
  if (slashed) {
    const [a, b, year] = [Number(slashed[1]), Number(slashed[2]), slashed[3]!];
    if (a > 12 || a === b) return inCentury(year, b, a, notAfter);
    if (b > 12) return inCentury(year, a, b, notAfter);
    const one = inCentury(year, b, a, notAfter);
    if (!one.ok) return one;
    return fail(`“${s}” can be read two ways. Write ${a} ${MONTHS[b - 1]} ${one.value.slice(0, 4)} or ${one.value}.`);
  }
  return fail(`“${s}” is no date that can be read. Write 4 May 2010 or 2010-05-04.`);
}

function inCentury(year: string, month: number, day: number, notAfter: PlainDate | undefined): Result<PlainDate> {
  if (year.length === 4) return plainDate(Number(year), month, day);
  const now = plainDate(2000 + Number(year), month, day);
  const late = notAfter !== undefined && (now.ok ? now.value > notAfter : 2000 + Number(year) > +notAfter.slice(0, 4));
  return late ? plainDate(1900 + Number(year), month, day) : now;
}

/** Whole days since 1970-01-01; the inverse of `fromDayNumber`. */
export function dayNumber(date: PlainDate): number {
  return Date.UTC(+date.slice(0, 4), +date.slice(5, 7) - 1, +date.slice(8, 10)) / 86_400_000;
}

export const fromDayNumber = (n: number): PlainDate => new Date(n * 86_400_000).toISOString().slice(0, 10);

export const daysBetween = (from: PlainDate, to: PlainDate): number => dayNumber(to) - dayNumber(from);

/** From 0, Sunday. */
export const weekdayOf = (date: PlainDate): number => (((dayNumber(date) + 4) % 7) + 7) % 7;

export const addDays = (date: PlainDate, days: number): PlainDate => fromDayNumber(dayNumber(date) + days);

/** The same day so many months later, or the last day of that month where it is shorter. */
export function addMonths(date: PlainDate, months: number): PlainDate {
  const at = +date.slice(0, 4) * 12 + (+date.slice(5, 7) - 1) + months;
  const year = Math.floor(at / 12);
  const month = (at % 12) + 1;
  return `${year}-${two(month)}-${two(Math.min(+date.slice(8, 10), daysIn(year, month)))}`;
}

/** Whole months from one date to a later one; counts a month as over on its day, or on its last day. */
export function monthsBetween(from: PlainDate, to: PlainDate): number {
  let months = (+to.slice(0, 4) - +from.slice(0, 4)) * 12 + (+to.slice(5, 7) - +from.slice(5, 7));
  while (addMonths(from, months) > to) months -= 1;
  return months;
}

/** Age in whole years on a day. */
export const ageOn = (born: PlainDate, day: PlainDate): number => Math.floor(monthsBetween(born, day) / 12);
