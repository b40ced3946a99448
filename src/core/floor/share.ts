/** Shares of stature after Winter, *Biomechanics and Motor Control of Human Movement*, after Drillis & Contini 1966 (from memory). */
export const SHARE = {
  shoulderBreadth: 0.259,
  footLength: 0.152,
  footBreadth: 0.055,
  upperArm: 0.186,
  forearm: 0.146,
  hand: 0.108,
  hipHeight: 0.53,
} as const;
