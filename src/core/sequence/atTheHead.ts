import type { Action } from './move';

const HEAD = /\b(head|face|cheek|nose|chin|jaw|temple|ear|crown)\b/i;
const COMES: readonly Action['kind'][] = ['strike', 'kick', 'hand shape', 'weapon cut'];

/** Whether a technique comes at somebody's head, by its height or by what it touches. */
export const atTheHead = (a: Action): boolean =>
  COMES.includes(a.kind) && (a.zone === 'upper' || HEAD.test(a.target ?? ''));
