import type { Run } from '../../core';
import { runShape } from '../classPlan';
import { storedDocument } from './document';

/** How far a class has come, as devices tell each other. */
export const storedClassRun = storedDocument<Run>('clock of a class', runShape);
