import { eq } from 'drizzle-orm';
import { dayInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Refuses whoever is no student of the school, or had left it by that day. */
export async function mustBeOnTheRoll(tx: Transaction, who: Who, studentId: string, day = who.today): Promise<void> {
  const found = await tx
    .select({ name: person.name, role: person.role, leftOn: person.leftOn })
    .from(person)
    .where(eq(person.id, studentId));
  const one = found[0];
  if (!one) throw new Refusal(409, 'This student is not on the roll.');
  if (one.role !== 'student') throw new Refusal(409, `${one.name} is not on the roll as a student.`);
  if (one.leftOn !== null && one.leftOn < day)
    throw new Refusal(
      409,
      `${one.name} left the school on ${dayInWords(one.leftOn, who.today)}. Take them back on the roll first.`,
    );
}
