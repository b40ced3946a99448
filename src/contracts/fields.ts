import * as v from 'valibot';
import { isVisible, oneLine, plainDate, readDate, severalLines } from '../core';
import './messages';

// The small parts that commands and files are made of, each with its message in the user's words.
export const id = v.pipe(v.string(), v.uuid('This is no id of ours.'), v.toLowerCase());
export const name = v.pipe(
  v.string('A name is missing.'),
  v.transform(oneLine),
  v.nonEmpty('A name is missing.'),
  v.check((n) => n === '' || isVisible(n), 'Nothing of this name can be seen.'),
  v.maxLength(120, 'A name has at most 120 letters.'),
);
export const line = v.pipe(v.string(), v.transform(oneLine), v.maxLength(300, 'This line has at most 300 letters.'));
export const prose = v.pipe(
  v.string(),
  v.transform(severalLines),
  v.maxLength(4000, 'This text has at most 4,000 letters.'),
);
export const reason = v.pipe(
  v.string('A reason is needed.'),
  v.transform(severalLines),
  v.check(isVisible, 'A reason is needed: it is kept with the decision.'),
  v.minLength(3, 'A reason is needed: it is kept with the decision.'),
  v.maxLength(1000, 'A reason has at most 1,000 letters.'),
);
export const email = v.pipe(
  v.string('An e-mail address is missing.'),
  v.trim(),
  v.toLowerCase(),
  v.maxLength(200, 'This address is too long.'),
  v.email('This is no e-mail address.'),
);
export const password = v.pipe(
  v.string('A password is missing.'),
  v.minLength(10, 'A password has at least 10 letters.'),
  v.maxLength(128, 'A password has at most 128 letters.'),
);
/** A moment as a device writes it, in UTC or with its offset; it exists in the calendar. */
export const instant = v.pipe(
  v.string('An instant is missing.'),
  v.isoTimestamp('This is no instant.'),
  v.check((at) => {
    // Said already.
    if (!/^\d{4}-/.test(at)) return true;
    const year = Number(at.slice(0, 4));
    const day = plainDate(year, Number(at.slice(5, 7)), Number(at.slice(8, 10)));
    return day.ok && year >= 1970 && !Number.isNaN(Date.parse(at));
  }, 'There is no such instant.'),
);
export const date = v.pipe(
  v.string('A date is missing.'),
  v.rawTransform(({ dataset, addIssue, NEVER }) => {
    const read = readDate(dataset.value);
    if (read.ok) return read.value;
    addIssue({ message: read.error });
    return NEVER;
  }),
);
export const share = v.pipe(
  v.number(),
  v.minValue(0, 'A share is at least 0.'),
  v.maxValue(1, 'A share is at most 1.'),
);
export const whole = (lo: number, hi: number, what: string) =>
  v.pipe(
    v.number(`${what} is a number.`),
    v.integer(`${what} is a whole number.`),
    v.minValue(lo, `${what} is at least ${lo}.`),
    v.maxValue(hi, `${what} is at most ${hi}.`),
  );
/** Minutes after midnight at the school. */
export const timeOfDay = whole(0, 24 * 60 - 1, 'A time of day');
export const position = whole(0, 100_000, 'A place in the order');

/**
 * The version that a change began from: what somebody else saved meanwhile is not written over. Left out: whatever is
 * there is meant.
 */
export const version = v.optional(whole(0, 1_000_000_000, 'The version'));

/** The name of a time zone, such as Europe/London. */
export const timeZone = v.pipe(
  v.string(),
  v.check((zone) => {
    try {
      new Intl.DateTimeFormat('en', { timeZone: zone });
      return zone !== '';
    } catch {
      return false;
    }
  }, 'This time zone is not known.'),
);
