import type { StudentView } from '../../../contracts/views';
import { isMinor } from '../../../core';
import type { Transaction } from '../../../data/connection';
import { mayConsent } from '../../auth/mayConsent';
import type { Who } from '../../who';

/** How far who reads may say that contact goes; null: they may not say. */
export async function consentSaid(
  tx: Transaction,
  who: Who,
  student: { id: string; born: string | null },
  ofAge: number,
): Promise<StudentView['consentSaid']> {
  if (who.role === 'instructor') return null;
  const { most, guardian, because } = await mayConsent(tx, who, student.id);
  const minor = isMinor(student.born, who.today, ofAge);
  return { most, asksGuardian: guardian === null && minor, because, minor };
}
