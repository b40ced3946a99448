import type { ClassRunView, ViewInput } from '../../contracts/views';
import type { Transaction } from '../../data/connection';
import { readClassPlan } from '../../data/queries/classPlans';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** "Where does the class stand?" Asked every few seconds by devices that follow. */
export async function classRunView(tx: Transaction, who: Who, { id }: ViewInput<'classRun'>): Promise<ClassRunView> {
  const now = await readClassPlan(tx, id);
  if (!now) throw new Refusal(404, 'This plan is no longer there.');
  return { run: now.run, version: now.version, closed: now.closedAt !== null, now: who.now.getTime() };
}
