const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Once a sequence had one name, nobody was said to have passed it on, and its counts had no points of their own. Counts
 * stand at many places of what is kept (sequences, hand edits, schools): wherever one is, it has none.
 */
export function thirdSequence(before: unknown): unknown {
  if (Array.isArray(before)) return before.map(thirdSequence);
  if (!isObject(before)) return before;
  const now = Object.fromEntries(Object.entries(before).map(([k, x]) => [k, thirdSequence(x)]));
  if ('step' in now && 'variants' in now && 'branches' in now && !('points' in now)) return { ...now, points: [] };
  if (isObject(now['about']) && Array.isArray(now['moves']))
    return { ...now, about: { names: [], lineage: [], ...now['about'] } };
  return now;
}
