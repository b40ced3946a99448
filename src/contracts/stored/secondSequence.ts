import { ordersStandApart, type Sequence } from '../../core';
import { isPlain, throughout } from './throughout';

/**
 * Once a count of a sequence had one way of power at most and no answer was left free, and in what goes round empty counts
 * at the end of a lane were never a rest. Counts and sequences stand at many places of what is kept (lanes, variants,
 * branches, recipes, hand edits, schools): wherever one is, it becomes what it was then in today's shape.
 */
export const secondSequence = (before: unknown): unknown =>
  throughout(before, ({ power, ...rest }) => {
    const now = power === undefined ? rest : { ...rest, powers: power === null ? [] : [power], free: false };
    const { about, moves } = now as Record<string, unknown>;
    if (!isPlain(about) || !Array.isArray(moves) || 'apart' in about) return now;
    const apart = about['loop'] === true && ordersStandApart(moves as Sequence['moves']);
    return { ...now, about: { ...about, apart } };
  });
