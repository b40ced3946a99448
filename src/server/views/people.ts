import { asc, desc, sql } from 'drizzle-orm';
import type { PeopleView } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { guardianOf, person } from '../../data/tables';
import { user } from '../../data/tables/auth';
import type { Who } from '../who';

export async function peopleView(tx: Transaction, who: Who): Promise<PeopleView> {
  const people = await tx
    .select()
    .from(person)
    .where(sql`${person.leftOn} is null`)
    .orderBy(asc(person.name), desc(person.id));
  const wards = await tx.select().from(guardianOf);
  const users = await tx.select({ id: user.id, email: user.email }).from(user);
  const emails = new Map(users.map((u) => [u.id, u.email]));
  const shown = people.map((p) => ({
    id: p.id,
    name: p.name,
    role: p.role,
    version: p.version,
    email: p.userId ? (emails.get(p.userId) ?? null) : null,
  }));
  return {
    teachers: shown.flatMap(({ role, ...p }) => (role === 'student' || role === 'guardian' ? [] : [{ ...p, role }])),
    students: shown.filter((p) => p.role === 'student').map(({ id, name, email }) => ({ id, name, email })),
    guardians: shown
      .filter((p) => p.role === 'guardian')
      .map(({ id, name, email, version }) => ({
        id,
        name,
        email,
        version,
        studentIds: wards.filter((w) => w.guardianId === id).map((w) => w.studentId),
      })),
    me: who.personId,
  };
}
