// What every screen shows of belts, conditions and the shell.
import type { Cloth } from '../rank';

export interface RankShown {
  id: string;
  name: string;
  cloth: Cloth;
}
