import { fold } from '../units/fold';
import type { Action } from './move';

/** Work at what somebody holds, or at what stands there, lands on no partner. */
const HELD = ['pad', 'pads', 'shield', 'target', 'glove', 'post', 'bag'];

/** Whether a technique lands on a pad, a shield, a target, a post or a bag, as its target says. */
export const atHeld = (a: Action): boolean =>
  a.target !== null &&
  fold(a.target)
    .split(' ')
    .some((w) => HELD.includes(w));
