import type { CountSlip } from '../../core';
import { slipsShape } from '../look';
import { storedDocument } from './document';

/** Slips of a showing that were named, as they are kept with the look. */
export const storedSlips = storedDocument<CountSlip[]>('list of slips', slipsShape);
