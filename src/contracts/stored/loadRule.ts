import type { LoadRule } from '../../core';
import { loadRuleShape } from '../load';
import { storedDocument } from './document';

/** The school's numbers for work that hardens. */
export const storedLoadRule = storedDocument<LoadRule>('rule of strikes', loadRuleShape);
