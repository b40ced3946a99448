import * as v from 'valibot';
import { ok } from '../../units/result';
import { capital, listInWords } from '../../words/speak';
import { POWERS, type Power, type Sequence } from '../move';
import type { OperationKind } from './kind';
import { LANES, oneLane, type Lane } from './lane';
import { inLaneSaid, POWER_SAID } from './saidOf';
import { withSection } from './withSection';

/** The same sequence once for each way of making power, a round each. */
export function powerRound(seq: Sequence, ways: readonly Power[] = POWERS, lane: Lane = 'A'): Sequence {
  const round = (power: Power) =>
    withSection(
      oneLane(seq, lane, (s) => (s.actions.length > 0 ? { ...s, powers: [power] } : s)).moves,
      capital(POWER_SAID[power]),
    );
  return { ...seq, moves: ways.flatMap(round) };
}

export interface PowerRoundOperation {
  op: 'power round';
  ways: readonly Power[];
  lane?: Lane | undefined;
}
export const powerRoundKind: OperationKind<PowerRoundOperation> = {
  op: 'power round',
  shape: () =>
    v.object({
      op: v.literal('power round'),
      ways: v.pipe(v.array(v.picklist(POWERS)), v.minLength(1), v.maxLength(5)),
      lane: v.optional(v.picklist(LANES)),
    }),
  apply: (seq, o) => ok(powerRound(seq, o.ways, o.lane)),
  words: (o) => `a round each by ${listInWords(o.ways.map((way) => POWER_SAID[way]))}${inLaneSaid(o.lane)}`,
};
