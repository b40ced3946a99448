import { and, eq } from 'drizzle-orm';
import type { WardsView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { guardianOf, person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Teachers read every student's page, a student their own, a guardian that of the students they answer for. */
export async function mayRead(tx: Transaction, who: Who, studentId: string): Promise<void> {
  if (who.role === 'head' || who.role === 'instructor') return;
  if (who.role === 'student' && who.personId === studentId) return;
  if (who.role === 'guardian') {
    const own = await tx
      .select({ id: guardianOf.studentId })
      .from(guardianOf)
      .where(and(eq(guardianOf.guardianId, who.personId), eq(guardianOf.studentId, studentId)));
    if (own.length > 0) return;
  }
  throw new Refusal(403, 'This is another student’s page.');
}

export async function wardsView(tx: Transaction, who: Who): Promise<WardsView> {
  const students = await tx
    .select({ id: person.id, name: person.name })
    .from(guardianOf)
    .innerJoin(person, eq(person.id, guardianOf.studentId))
    .where(eq(guardianOf.guardianId, who.personId))
    .orderBy(person.name);
  return { students };
}
