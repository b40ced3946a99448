import type { Patience } from '../core';

/** Planned again it is to be quick, and what is only tried out quicker still; the first time there is more patience. */
export const AGAIN: Patience = { better: 2, prove: 1.2, few: 0.6 };
export const TRIED: Patience = { better: 1.2, prove: 1, few: 0 };
