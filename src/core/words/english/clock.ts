const DAY = 24 * 60;

/** A minute of the day as a clock shows it; a day goes round. */
export const clockInWords = (minute: number): string => {
  const of = ((minute % DAY) + DAY) % DAY;
  return `${String(Math.floor(of / 60)).padStart(2, '0')}:${String(of % 60).padStart(2, '0')}`;
};

/** A time of day as people type it, in minutes; null: it is none. "9", "9.30", "9:30", "0930", "6:30 pm". */
export function readClock(typed: string): number | null {
  const m = /^(\d{1,2})(?:[:.h ]?(\d{2}))? ?(am|pm)?$/i.exec(typed.trim());
  if (!m) return null;
  const minutes = Number(m[2] ?? 0);
  let hours = Number(m[1]);
  if (m[3]) {
    if (hours < 1 || hours > 12) return null;
    hours = (hours % 12) + (m[3].toLowerCase() === 'pm' ? 12 : 0);
  }
  return hours > 23 || minutes > 59 ? null : hours * 60 + minutes;
}
