import { eq } from 'drizzle-orm';
import type { WardsView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { guardianOf, person } from '../../data/tables';
import type { Who } from '../who';

export async function wardsView(tx: Transaction, who: Who): Promise<WardsView> {
  const students = await tx
    .select({ id: person.id, name: person.name })
    .from(guardianOf)
    .innerJoin(person, eq(person.id, guardianOf.studentId))
    .where(eq(guardianOf.guardianId, who.personId))
    .orderBy(person.name);
  return { students };
}
