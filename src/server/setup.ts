import { hashPassword } from 'better-auth/crypto';
import { eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import { readInput } from '../contracts/commands';
import { cloth } from '../contracts/rank';
import { setupInput } from '../contracts/setup';
import { unsound } from '../contracts/sound';
import { inSchool, type Transaction } from '../data/connection';
import { openSchool } from '../data/openSchool';
import { history, person } from '../data/tables';
import { account, user } from '../data/tables/auth';
import { COMMON_PASSWORD, isCommonPassword } from './auth/passwords';
import { authDb, db } from './databases';
import { Refusal } from './http/problem';

let opened = false;

/** Whether nobody can sign in yet: then, and only then, the set-up page is open. */
export async function isEmptyInstallation(): Promise<boolean> {
  if (opened) return false;
  const found = await authDb.select({ id: user.id }).from(user).limit(1);
  opened = found.length > 0;
  return !opened;
}

/** Writes a sign-in inside the school's transaction. */
export async function addSignIn(
  tx: Transaction,
  s: { schoolId: string; personId: string; name: string; email: string; password: string },
) {
  const id = v7();
  await tx.insert(user).values({ id, name: s.name, email: s.email, schoolId: s.schoolId, personId: s.personId });
  await tx.insert(account).values({
    id: v7(),
    userId: id,
    accountId: id,
    providerId: 'credential',
    password: await hashPassword(s.password),
  });
  await tx.update(person).set({ userId: id }).where(eq(person.id, s.personId));
}

/** Opens the first school of an empty installation with its head instructor; refuses where one is open already. */
export async function setUp(body: unknown): Promise<{ email: string }> {
  const amiss = unsound(body);
  if (amiss[0]) throw new Refusal(422, amiss[0].message, amiss);
  const read = readInput(setupInput, body);
  if (!read.ok) throw new Refusal(422, read.errors[0]?.message ?? 'Something here is wrong.', read.errors);
  const s = read.value;
  if (isCommonPassword(s.password, [s.head, s.email, s.school]))
    throw new Refusal(422, COMMON_PASSWORD, [{ path: 'password', message: COMMON_PASSWORD }]);
  const ranks = s.ranks.map((r, i) => {
    const woven = readInput(cloth, { colour: r.colour, second: r.second, stripe: null, bars: r.bars });
    if (!woven.ok)
      throw new Refusal(422, woven.errors[0]!.message, [{ path: `ranks.${i}`, message: woven.errors[0]!.message }]);
    return { name: r.name, cloth: woven.value };
  });
  const schoolId = v7();
  await inSchool(db, schoolId, async (tx) => {
    // Two people pressing the button at once: the second waits here and is then refused.
    await tx.execute(sql`select pg_advisory_xact_lock(7119022)`);
    if (!(await isEmptyInstallation())) throw new Refusal(409, 'This installation has been set up already. Sign in.');
    const head = { id: v7(), name: s.head };
    await openSchool(tx, { id: schoolId, name: s.school, timeZone: s.timeZone, head, ranks }, v7);
    await addSignIn(tx, { schoolId, personId: head.id, name: s.head, email: s.email, password: s.password });
    await tx.insert(history).values({
      schoolId,
      id: v7(),
      command: 'school.open',
      by: head.id,
      madeAt: new Date(),
      input: { ...s, password: null },
      answer: {},
    });
  });
  return { email: s.email };
}
