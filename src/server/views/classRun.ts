import type { ClassRunView, ViewInput } from '../../contracts/views';
import { asc, eq } from 'drizzle-orm';
import { attendance, paired } from '../../data/tables';
import type { Transaction } from '../../data/connection';
import { readClassNotes, readClassPlan, readGuests } from '../../data/queries/classPlans';
import { classNoteShown } from './shown/classNote';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** "Where does the class stand?" Asked every few seconds by devices that follow. */
export async function classRunView(tx: Transaction, who: Who, { id }: ViewInput<'classRun'>): Promise<ClassRunView> {
  const now = await readClassPlan(tx, id);
  if (!now) throw new Refusal(404, 'This plan is no longer there.');
  const rows = await tx.select().from(paired).where(eq(paired.classId, id)).orderBy(asc(paired.round), asc(paired.id));
  const rounds = new Map<string, ClassRunView['called'][number]>();
  for (const { blockId, round, id: pairId, a, b, c, rung, first } of rows) {
    const key = `${blockId} ${round}`;
    const of = rounds.get(key) ?? { blockId, round, pairs: [] };
    rounds.set(key, of);
    of.pairs.push({ id: pairId, a, b, c, rung, first });
  }
  return {
    run: now.run,
    version: now.version,
    changedBy: now.changedBy,
    closed: now.closedAt !== null,
    here: await tx
      .select({ id: attendance.personId, came: attendance.came, went: attendance.went })
      .from(attendance)
      .where(eq(attendance.classId, id))
      .orderBy(asc(attendance.place)),
    guests: (await readGuests(tx, now.day)).filter((g) => g.classId === id),
    notes: (await readClassNotes(tx, [id])).get(id)?.map(classNoteShown) ?? [],
    called: [...rounds.values()],
    now: who.now.getTime(),
  };
}
