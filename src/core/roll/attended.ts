/** When somebody came late or left early, in minutes after midnight; null: from the start, or to the end. */
export interface CameWent {
  came: number | null;
  went: number | null;
}

/**
 * How many minutes of a class somebody had who came late or left early; a class may go over midnight. Null: all of it.
 */
export function minutesThere(starts: number, minutes: number, { came, went }: CameWent): number | null {
  if (came === null && went === null) return null;
  const ends = starts + minutes;
  // After midnight the hours begin anew: what lies long before the start is meant for after it.
  const day = (t: number) => (t < starts - 12 * 60 ? t + 24 * 60 : t);
  const from = came === null ? starts : Math.min(ends, Math.max(starts, day(came)));
  const to = went === null ? ends : Math.max(starts, Math.min(ends, day(went)));
  const there = Math.max(0, to - from);
  return there === minutes ? null : there;
}
