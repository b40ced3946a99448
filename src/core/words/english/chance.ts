/** "7 in 10", as in a table; at the ends "under 1 in 10" and "better than 9 in 10". */
export function tenthsInWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  if (tenths <= 0) return 'under 1 in 10';
  if (tenths >= 10) return 'better than 9 in 10';
  return `${tenths} in 10`;
}

/** The same in a sentence: "about 7 in 10". */
export function chanceInWords(chance: number): string {
  const tenths = Math.round(chance * 10);
  return tenths > 0 && tenths < 10 ? `about ${tenthsInWords(chance)}` : tenthsInWords(chance);
}
