import type { GradingRule } from '../../core';
import { ruleShape } from '../grading';
import { storedDocument } from './document';

/**
 * By which rule a grading decides, as it was when it was made. 2: a share of an item’s points may fall short; before, none. 3: marks
 * out of a number; before, only words.
 */
export const storedGradingRule = storedDocument<GradingRule>('rule of a grading', ruleShape, [
  (r: Record<string, unknown>) => ({ ...r, mayFallShort: 0 }),
  (r: Record<string, unknown>) => ({ ...r, scale: null }),
]);
