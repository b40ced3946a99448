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
