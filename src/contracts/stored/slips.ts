import type { CountSlip } from '../../core';
import { slipsShape } from '../look';
import { storedDocument } from './document';

/** Slips of a showing that were named, as they are kept with the look. */
export const storedSlips = storedDocument<CountSlip[]>('list of slips', slipsShape, [
  // 2: who felt it says whether it was so.
  (before: readonly object[]) => before.map((slip) => ({ ...slip, toldBy: null, held: false })),
]);
