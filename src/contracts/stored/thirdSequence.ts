import { isPlain, throughout } from './throughout';

/**
 * Once a sequence had one name, nobody was said to have passed it on, and its counts had no points of their own: wherever
 * a count is, it has none.
 */
export const thirdSequence = (before: unknown): unknown =>
  throughout(before, (now) => {
    if ('step' in now && 'variants' in now && 'branches' in now && !('points' in now)) return { ...now, points: [] };
    return isPlain(now['about']) && Array.isArray(now['moves'])
      ? { ...now, about: { names: [], lineage: [], ...now['about'] } }
      : now;
  });
