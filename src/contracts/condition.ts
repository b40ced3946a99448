import * as v from 'valibot';
import { CONDITION_GEAR, FREEDOMS } from '../core';
import { id, name, version } from './fields';

const freedom = v.nullable(v.picklist(FREEDOMS));
/** What a condition takes, in a command as in a file. */
export const conditionFacts = {
  partner: v.boolean(),
  gear: v.nullable(v.picklist(CONDITION_GEAR)),
  home: v.boolean(),
  attacker: freedom,
  defender: freedom,
};
const fits = <T extends { partner: boolean; attacker: unknown; defender: unknown }>(c: T) =>
  c.partner === (c.attacker !== null) && c.partner === (c.defender !== null);
const FREE = 'Say of either side whether it is set or free where there is a partner, and only there.';

export const conditionShape = v.pipe(
  v.object({ name, ...conditionFacts }),
  v.forward(v.check(fits, FREE), ['attacker']),
  v.forward(
    v.check((c) => !(c.home && c.partner), 'At home there is no partner.'),
    ['home'],
  ),
);
export type ConditionShape = v.InferOutput<typeof conditionShape>;

export const conditionInput = v.pipe(
  v.object({ id, name, ...conditionFacts, version }),
  v.forward(v.check(fits, FREE), ['attacker']),
  v.forward(
    v.check((c) => !(c.home && c.partner), 'At home there is no partner.'),
    ['home'],
  ),
);
