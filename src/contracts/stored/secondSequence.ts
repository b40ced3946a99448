import { ordersStandApart, type Sequence } from '../../core';

const isObject = (x: unknown): x is Record<string, unknown> => typeof x === 'object' && x !== null && !Array.isArray(x);

/**
 * Once a count of a sequence had one way of power at most and no answer was left free, and in what goes round empty counts
 * at the end of a lane were never a rest. Counts and sequences stand at many places of what is kept (lanes, variants,
 * branches, recipes, hand edits, schools): wherever one is, it becomes what it was then in today's shape.
 */
export function secondSequence(before: unknown): unknown {
  if (Array.isArray(before)) return before.map(secondSequence);
  if (!isObject(before)) return before;
  const { power, ...rest } = Object.fromEntries(Object.entries(before).map(([k, x]) => [k, secondSequence(x)]));
  const now = power === undefined ? rest : { ...rest, powers: power === null ? [] : [power], free: false };
  const { about, moves } = now as Record<string, unknown>;
  if (!isObject(about) || !Array.isArray(moves) || 'apart' in about) return now;
  const apart = about['loop'] === true && ordersStandApart(moves as Sequence['moves']);
  return { ...now, about: { ...about, apart } };
}
