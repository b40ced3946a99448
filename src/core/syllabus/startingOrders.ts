import type { ConditionStep } from '../units/condition';
import { fold } from '../units/fold';

/**
 * Orders of conditions a school may start from, by the names conditions have as delivered. Schools differ: some teach in
 * the air before a target, some the target first because it shows where the punch goes (common practice, no source).
 */
export const STARTING_ORDERS: readonly {
  name: string;
  steps: readonly (readonly [easier: string, harder: string])[];
}[] = [
  {
    name: 'air before target',
    steps: [
      ['lying on the line', 'in air'],
      ['lying on the line', 'at the wall'],
      ['natural stance', 'in air'],
      ['legs only', 'in air'],
      ['in air', 'still target'],
      ['still target', 'moving holder'],
      ['in air', 'set partner'],
      ['set partner', 'attacker set, defender free'],
      ['attacker set, defender free', 'both free'],
    ],
  },
  {
    name: 'target before air',
    steps: [
      ['lying on the line', 'at the wall'],
      ['natural stance', 'still target'],
      ['legs only', 'still target'],
      ['still target', 'in air'],
      ['still target', 'moving holder'],
      ['in air', 'set partner'],
      ['set partner', 'attacker set, defender free'],
      ['attacker set, defender free', 'both free'],
    ],
  },
  {
    name: 'partner apart',
    steps: [
      ['natural stance', 'in air'],
      ['legs only', 'in air'],
      ['in air', 'still target'],
      ['still target', 'moving holder'],
      ['set partner', 'attacker set, defender free'],
      ['attacker set, defender free', 'both free'],
    ],
  },
];

/** The steps of a starting order between the conditions a school has. */
export function startingOrder(name: string, conditions: readonly { id: string; name: string }[]): ConditionStep[] {
  const idOf = new Map(conditions.map((c) => [fold(c.name), c.id]));
  return (STARTING_ORDERS.find((o) => o.name === name)?.steps ?? []).flatMap(([e, h]) => {
    const [easier, harder] = [idOf.get(fold(e)), idOf.get(fold(h))];
    return easier !== undefined && harder !== undefined ? [{ easier, harder }] : [];
  });
}
