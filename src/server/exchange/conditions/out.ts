import type { Bundle } from '../../../contracts/stored/bundle';

/** The conditions as they travel; which is harder than which travels with the syllabus. */
export const conditionsOut = (conditions: readonly Bundle['conditions'][number][]): Bundle['conditions'] =>
  conditions.map(({ name, partner, gear, home, attacker, defender }) => ({
    name,
    partner,
    gear,
    home,
    attacker,
    defender,
  }));
