import { addDays, dayNumber, type PlainDate } from './plainDate';

const MINUTE = 60_000;
const DAY = 24 * 60;

// A formatter is dear to make, so each zone keeps its own.
const clocks = new Map<string, Intl.DateTimeFormat>();
function partsIn(timeZone: string, at: number): { day: PlainDate; minutes: number } {
  let clock = clocks.get(timeZone);
  if (!clock) {
    clock = new Intl.DateTimeFormat('en-CA', {
      timeZone,
      hourCycle: 'h23',
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
    });
    clocks.set(timeZone, clock);
  }
  const of = Object.fromEntries(clock.formatToParts(at).map((p) => [p.type, p.value]));
  return {
    day: `${of['year']}-${of['month']}-${of['day']}`,
    minutes: Number(of['hour']) * 60 + Number(of['minute']),
  };
}

/** Minutes after midnight in a time zone, at an instant in milliseconds since 1970. */
export const timeOfDayIn = (timeZone: string, at: number): number => partsIn(timeZone, at).minutes;

/**
 * The instant, in milliseconds since 1970, of so many minutes after midnight of a day in a time zone. Minutes may be a day
 * or more. A time that is left out as clocks go forward is taken as after the change; one that comes twice as the first.
 */
export function instantAt(timeZone: string, day: PlainDate, minutes: number): number {
  const date = addDays(day, Math.floor(minutes / DAY));
  const of = ((minutes % DAY) + DAY) % DAY;
  const wanted = dayNumber(date) * DAY + of;
  const shown = (at: number) => {
    const p = partsIn(timeZone, at);
    return dayNumber(p.day) * DAY + p.minutes;
  };
  // As if it were universal time, then as far off as the zone is; twice, since the first may lie over a change.
  const plain = wanted * MINUTE;
  const once = plain - (shown(plain) - wanted) * MINUTE;
  const twice = once - (shown(once) - wanted) * MINUTE;
  const fits = [once, twice, once - 60 * MINUTE, twice - 60 * MINUTE].filter((at) => shown(at) === wanted);
  return fits.length > 0 ? Math.min(...fits) : Math.max(once, twice);
}

/** A time of day as clocks on walls show it: 18:30. */
export const clockTime = (minutes: number): string => {
  const of = ((minutes % DAY) + DAY) % DAY;
  return `${String(Math.floor(of / 60)).padStart(2, '0')}:${String(of % 60).padStart(2, '0')}`;
};

/** Reads a time of day as people type it: 18:30, 18.30, 1830, 6:30 pm, 7pm, 18; null where it is none. */
export function readClockTime(text: string): number | null {
  const m = /^(\d{1,2})(?:[:.h ]?(\d{2}))? ?(am|pm)?$/i.exec(text.trim());
  if (!m) return null;
  const minutes = Number(m[2] ?? 0);
  let hours = Number(m[1]);
  if (m[3]) {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (m[3].toLowerCase() === 'pm' ? 12 : 0);
  }
  return hours > 23 || minutes > 59 ? null : hours * 60 + minutes;
}
