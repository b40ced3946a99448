import type { Cloth } from '../contracts/rank';
import { NOTHING_ASKED } from '../core';
import type { Transaction } from './connection';
import { condition, person, rank, school, syllabusVersion } from './tables';

/** The conditions a new school begins with, and their partial order; each school changes both to its own. */
export const FIRST_CONDITIONS = [
  'lying on the line',
  'natural stance',
  'legs only',
  'in air',
  'at the wall',
  'still target',
  'moving holder',
  'set partner',
  'attacker set, defender free',
  'both free',
] as const;

export const FIRST_STEPS: readonly [(typeof FIRST_CONDITIONS)[number], (typeof FIRST_CONDITIONS)[number]][] = [
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
  const conditions = new Map(FIRST_CONDITIONS.map((name) => [name as string, newId()]));
  await tx.insert(condition).values([...conditions].map(([name, id], position) => ({ schoolId, id, position, name })));
  const order = FIRST_STEPS.map(([easier, harder]) => ({
    easier: conditions.get(easier)!,
    harder: conditions.get(harder)!,
  }));
  await tx
    .insert(syllabusVersion)
    .values({ schoolId, id: newId(), state: 'draft', title: '', body: { ...NOTHING_ASKED, order } });
  return { ranks: ranks.map((r) => r.id), conditions };
}
