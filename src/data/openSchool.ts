import type { Cloth } from '../contracts/rank';
import { ALONE, NOTHING_ASKED, type ConditionFacts, type ConditionGear, type Freedom } from '../core';
import type { Transaction } from './connection';
import { condition, person, rank, school, syllabusVersion } from './tables';

const pair = (attacker: Freedom, defender: Freedom): ConditionFacts => ({
  partner: true,
  gear: null,
  home: false,
  attacker,
  defender,
});
const onGear = (gear: ConditionGear): ConditionFacts => ({ ...ALONE, gear, home: false });

/** The conditions a new school begins with, and their partial order; each school changes both to its own. */
export const FIRST_CONDITIONS = [
  { name: 'lying on the line', ...ALONE },
  { name: 'natural stance', ...ALONE },
  { name: 'legs only', ...ALONE },
  { name: 'in air', ...ALONE },
  { name: 'at the wall', ...ALONE },
  { name: 'still target', ...onGear('target') },
  { name: 'moving holder', ...onGear('pads') },
  { name: 'set partner', ...pair('set', 'set') },
  { name: 'attacker set, defender free', ...pair('set', 'free') },
  { name: 'both free', ...pair('free', 'free') },
] as const;
type FirstName = (typeof FIRST_CONDITIONS)[number]['name'];

export const FIRST_STEPS: readonly [FirstName, FirstName][] = [
  ['lying on the line', 'in air'],
  ['lying on the line', 'at the wall'],
  ['natural stance', 'in air'],
  ['legs only', 'in air'],
  ['in air', 'still target'],
  ['still target', 'moving holder'],
  ['in air', 'set partner'],
  ['set partner', 'attacker set, defender free'],
  ['attacker set, defender free', 'both free'],
];

export interface NewSchool {
  id: string;
  name: string;
  timeZone: string;
  head: { id: string; name: string };
  ranks: readonly { name: string; cloth: Cloth }[];
}

/** Opens a school: its head instructor, its belts from the lowest up, and the first conditions. `newId` makes ids. */
export async function openSchool(
  tx: Transaction,
  s: NewSchool,
  newId: () => string,
): Promise<{ ranks: string[]; conditions: Map<string, string> }> {
  const schoolId = s.id;
  await tx.insert(school).values({ id: s.id, name: s.name, timeZone: s.timeZone });
  await tx.insert(person).values({ schoolId, id: s.head.id, name: s.head.name, role: 'head' });
  const ranks = s.ranks.map((r, position) => ({ schoolId, id: newId(), position, ...r }));
  if (ranks.length > 0) await tx.insert(rank).values(ranks);
  const conditions = new Map(FIRST_CONDITIONS.map((c) => [c.name as string, newId()]));
  await tx
    .insert(condition)
    .values(FIRST_CONDITIONS.map((c, position) => ({ schoolId, id: conditions.get(c.name)!, position, ...c })));
  const order = FIRST_STEPS.map(([easier, harder]) => ({
    easier: conditions.get(easier)!,
    harder: conditions.get(harder)!,
  }));
  await tx
    .insert(syllabusVersion)
    .values({ schoolId, id: newId(), state: 'draft', title: '', body: { ...NOTHING_ASKED, order } });
  return { ranks: ranks.map((r) => r.id), conditions };
}
