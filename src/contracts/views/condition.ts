// What every screen shows of belts, conditions and the shell.
import type { ConditionFacts } from '../../core';

export interface ConditionShown extends ConditionFacts {
  id: string;
  name: string;
}
