// What every screen shows of belts, conditions and the shell.
import type { ConditionFacts } from '../../core';
import type { Cloth } from '../rank';
import type { Role } from '../role';

export interface RankShown {
  id: string;
  name: string;
  cloth: Cloth;
}

export interface ConditionShown extends ConditionFacts {
  id: string;
  name: string;
}

export interface ShellView {
  school: { name: string; timeZone: string };
  me: { personId: string; name: string; role: Role };
  today: string;
}
