import { asc, desc, eq, gte, lt } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { classPlan } from '../tables';

/** So many classes to come, and so many that were, are taken along. */
const TO_COME = 60;
const BEFORE = 4;

/** Plans of today and of what is to come, and the last few that were, to plan from. */
export async function readClassPlans(tx: Transaction, today: string) {
  const toCome = await tx
    .select()
    .from(classPlan)
    .where(gte(classPlan.day, today))
    .orderBy(asc(classPlan.day), asc(classPlan.id))
    .limit(TO_COME);
  const before = await tx
    .select()
    .from(classPlan)
    .where(lt(classPlan.day, today))
    .orderBy(desc(classPlan.day), desc(classPlan.id))
    .limit(BEFORE);
  return { toCome, before };
}

export const readClassPlan = async (tx: Transaction, id: string) =>
  (await tx.select().from(classPlan).where(eq(classPlan.id, id)))[0];
