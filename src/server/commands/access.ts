import { hashPassword } from 'better-auth/crypto';
import { and, eq, ne } from 'drizzle-orm';
import { v7 } from 'uuid';
import { tentatively } from '../../data/connection';
import { person } from '../../data/tables';
import { account, user } from '../../data/tables/auth';
import { COMMON_PASSWORD, isCommonPassword } from '../auth/passwords';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';

const isMinor = (born: string | null, today: string) =>
  born === null || born > `${Number(today.slice(0, 4)) - 18}${today.slice(4)}`;

export const accessCommands: Runs<'access.give' | 'access.take'> = {
  /** Gives somebody a sign-in. A new one takes the place of the old, whose sessions end. */
  'access.give': async (tx, who, a) => {
    await inTurn(tx, who, `person ${a.personId}`);
    const found = await tx.select().from(person).where(eq(person.id, a.personId));
    const one = found[0];
    if (!one || one.leftOn !== null) throw new Refusal(404, 'This person is not in the school.');
    if (one.id === who.personId) throw new Refusal(409, 'Change your own password on your own page.');
    if (isCommonPassword(a.password, [one.name, a.email]))
      throw new Refusal(422, COMMON_PASSWORD, [{ path: 'password', message: COMMON_PASSWORD }]);
    if (one.userId) await tx.delete(user).where(eq(user.id, one.userId));
    const id = v7();
    try {
      await tentatively(tx, () =>
        tx.insert(user).values({ id, name: one.name, email: a.email, schoolId: who.schoolId, personId: one.id }),
      );
    } catch {
      // The address may belong to somebody of another school, so we do not say whose it is.
      throw new Refusal(422, 'This address cannot be used here. Take another one.', [
        { path: 'email', message: 'This address cannot be used here. Take another one.' },
      ]);
    }
    await tx.insert(account).values({
      id: v7(),
      userId: id,
      accountId: id,
      providerId: 'credential',
      password: await hashPassword(a.password),
    });
    await tx.update(person).set({ userId: id }).where(eq(person.id, one.id));
    return { guardianFirst: one.role === 'student' && isMinor(one.born, who.today) };
  },

  'access.take': async (tx, who, { personId }) => {
    if (personId === who.personId) throw new Refusal(409, 'You cannot take your own access. Another head can.');
    const done = await tx
      .select({ userId: person.userId })
      .from(person)
      .where(and(eq(person.id, personId), ne(person.id, who.personId)));
    const userId = done[0]?.userId;
    if (!userId) throw new Refusal(404, 'This person has no sign-in.');
    await tx.update(person).set({ userId: null }).where(eq(person.id, personId));
    await tx.delete(user).where(eq(user.id, userId));
    return {};
  },
};
