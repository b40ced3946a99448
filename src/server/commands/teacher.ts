import { eq } from 'drizzle-orm';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { nextVersion, notMeanwhile } from './meanwhile';

export const teacherCommands: Runs<'teacher.save'> = {
  'teacher.save': async (tx, who, t) => {
    if (t.id === who.personId && t.role !== 'head')
      throw new Refusal(409, 'You cannot take the head’s rights from yourself. Another head can.');
    const { version, ...own } = t;
    const known = await tx.select().from(person).where(eq(person.id, t.id)).for('update');
    await notMeanwhile(tx, known[0]?.name ?? '', known[0], version, () => ({
      id: t.id,
      name: known[0]!.name,
      role: known[0]!.role,
    }));
    if (known[0]?.role === 'guardian') throw new Refusal(409, 'This person is in the school as a guardian.');
    if (known[0]?.role === 'student') throw new Refusal(409, 'This person is on the roll as a student.');
    await tx
      .insert(person)
      .values({ schoolId: who.schoolId, ...own, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [person.schoolId, person.id],
        set: { name: t.name, role: t.role, ...nextVersion(person, who) },
      });
    return { id: t.id };
  },
};
