import { hashPassword } from 'better-auth/crypto';
import { eq } from 'drizzle-orm';
import { v7 } from 'uuid';
import { DEMO_PASSWORD, DEMO_SIGN_INS } from '../../../../scripts/demo-sign-ins.mjs';
import { type Transaction } from '../../connection';
import { person } from '../../tables';
import { account, user } from '../../tables/auth';
import { DEMO_SCHOOL_ID, type DemoSchool } from '../generate';

export async function writeSignIns(tx: Transaction, made: DemoSchool, others: readonly { id: string; name: string }[]) {
  const password = await hashPassword(DEMO_PASSWORD);
  for (const s of DEMO_SIGN_INS) {
    const one = [...made.teachers, ...made.students, ...others].find((x) => x.name === s.name)!;
    const id = v7();
    await tx.insert(user).values({ id, name: one.name, email: s.email, schoolId: DEMO_SCHOOL_ID, personId: one.id });
    await tx.insert(account).values({ id: v7(), userId: id, accountId: id, providerId: 'credential', password });
    await tx.update(person).set({ userId: id }).where(eq(person.id, one.id));
  }
}
