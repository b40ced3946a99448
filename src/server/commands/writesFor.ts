import { and, eq } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { guardianOf } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Students write for themselves, guardians for theirs, teachers for everybody. */
export async function mayWriteFor(tx: Transaction, who: Who, studentId: string): Promise<void> {
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
