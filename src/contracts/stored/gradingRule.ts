import type { GradingRule } from '../../core';
import { ruleShape } from '../grading';
import { storedDocument } from './document';

/** By which rule a grading decides, as it was when it was made. */
export const storedGradingRule = storedDocument<GradingRule>('rule of a grading', ruleShape);
