import { eq } from 'drizzle-orm';
import { guardianOf, person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';

export const guardianCommands: Runs<'guardian.save'> = {
  /** A guardian with the students they answer for; said again, the list is replaced. */
  'guardian.save': async (tx, who, g) => {
    await inTurn(tx, who, `person ${g.id}`);
    const known = await tx.select().from(person).where(eq(person.id, g.id));
    const wards = await tx.select({ id: guardianOf.studentId }).from(guardianOf).where(eq(guardianOf.guardianId, g.id));
    await notMeanwhile(tx, known[0]?.name ?? '', known[0], g.version, () => ({
      id: g.id,
      name: known[0]!.name,
      studentIds: wards.map((w) => w.id),
    }));
    if (known[0] && known[0].role !== 'guardian')
      throw new Refusal(409, 'This person is on the roll already in another part.');
    const students = await tx.select({ id: person.id }).from(person).where(eq(person.role, 'student'));
    const ids = new Set(students.map((s) => s.id));
    if (g.studentIds.some((s) => !ids.has(s))) throw new Refusal(409, 'One of these students is not on the roll.');
    await tx
      .insert(person)
      .values({ schoolId: who.schoolId, id: g.id, name: g.name, role: 'guardian', changedBy: who.personId })
      .onConflictDoUpdate({ target: [person.schoolId, person.id], set: { name: g.name, ...nextVersion(person, who) } });
    await tx.delete(guardianOf).where(eq(guardianOf.guardianId, g.id));
    await tx
      .insert(guardianOf)
      .values([...new Set(g.studentIds)].map((studentId) => ({ schoolId: who.schoolId, guardianId: g.id, studentId })));
    return { id: g.id };
  },
};
