import { and, eq } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { guardianOf } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Teachers read and write for every student, a student for themselves, a guardian for those they answer for. */
export async function mustBeOwnStudent(tx: Transaction, who: Who, studentId: string): Promise<void> {
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
