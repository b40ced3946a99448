import type { Cycle } from '../../core';
import { cycleShape } from '../cycle';
import { storedDocument } from './document';

/** Weeks towards a day, as they are planned. */
export const storedCycle = storedDocument<Cycle>('cycle', cycleShape);
