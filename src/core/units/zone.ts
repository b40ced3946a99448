/** Heights by the performer's own body: upper at the lip under the nose, middle at the solar plexus, lower below the belt. */
export const ZONES = ['upper', 'middle', 'lower'] as const;
export type Zone = (typeof ZONES)[number];

/** Upper becomes lower and lower upper; the middle stays. */
export const otherZone = <Z extends Zone | null>(zone: Z): Zone | Z =>
  zone === 'upper' ? 'lower' : zone === 'lower' ? 'upper' : zone;
