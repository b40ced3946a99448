// What the screens of the way show.
import type { GateKind } from '../../core';

export interface GateShown {
  id: string;
  rankId: string;
  kind: GateKind;
  amount: number;
}
