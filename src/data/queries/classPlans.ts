import { asc, desc, eq, gte, inArray, lt } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { classNote, classPlan, guest } from '../tables';

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

/** Who was there on a day and is not on the roll, as they came. */
export const readGuests = (tx: Transaction, day: string) =>
  tx
    .select({ id: guest.id, classId: guest.classId, name: guest.name, minor: guest.minor, phone: guest.phone })
    .from(guest)
    .where(eq(guest.day, day))
    .orderBy(asc(guest.at), asc(guest.id));

/** What was noted while classes ran, by class, in the order it was said. */
export async function readClassNotes(tx: Transaction, classIds: readonly string[]) {
  const rows =
    classIds.length === 0
      ? []
      : await tx
          .select({ id: classNote.id, classId: classNote.classId, block: classNote.block, said: classNote.said })
          .from(classNote)
          .where(inArray(classNote.classId, [...classIds]))
          .orderBy(asc(classNote.at), asc(classNote.id));
  const byClass = new Map<string, typeof rows>();
  for (const r of rows) byClass.set(r.classId, [...(byClass.get(r.classId) ?? []), r]);
  return byClass;
}
