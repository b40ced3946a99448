import type { ConditionShown } from '../../../contracts/views';

/** A condition as every screen knows it. */
export const conditionShown = ({
  id,
  name,
  partner,
  gear,
  home,
  attacker,
  defender,
}: ConditionShown): ConditionShown => ({ id, name, partner, gear, home, attacker, defender });
