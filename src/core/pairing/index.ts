// Who works with whom, and how hard: what fits, what keeps apart, pairs and rounds of them.
export { barBetween, LIMITS } from './fit';
export * from './model';
export { pairUp } from './pairUp';
export { pairRounds } from './rounds';
export * from './oddPlace';
