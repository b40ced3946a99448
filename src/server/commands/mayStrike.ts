import { eq } from 'drizzle-orm';
import { capital, mayStrike, mayStrikeInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { guardianAgreed, NO_LOAD, readLoadRule, readLoads } from '../../data/queries/loads';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** What a rule of age asks of somebody. */
export const bornOf = async (tx: Transaction, id: string): Promise<{ born: string | null; name: string }> => {
  const [p] = await tx.select({ born: person.born, name: person.name }).from(person).where(eq(person.id, id));
  return p ?? { born: null, name: '' };
};

/** Refuses work that hardens for whoever is too young for it, or not asked for yet; what hands say is always taken. */
export async function mustBeAllowedToStrike(
  tx: Transaction,
  who: Who,
  studentId: string,
  day: string,
  path: string,
): Promise<void> {
  const { born, name } = await bornOf(tx, studentId);
  const { rule, ofAge } = await readLoadRule(tx);
  const load = (await readLoads(tx, [studentId])).get(studentId) ?? NO_LOAD;
  const may = mayStrike(born, guardianAgreed(load), rule, ofAge, day);
  if (may.may) return;
  const why = `${name.split(' ')[0] ?? ''}: ${mayStrikeInWords(may, rule, who.today)}`;
  throw new Refusal(409, capital(why), [{ path, message: why }]);
}
