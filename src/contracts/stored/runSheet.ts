import { dayShape, type DayKept } from '../runSheet';
import { storedDocument } from './document';

/** A grading's day as it was laid out. */
export const storedRunSheet = storedDocument<DayKept>('run sheet', dayShape);
