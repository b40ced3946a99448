import { eq } from 'drizzle-orm';
import { calendarAddress } from '../../data/tables/calendarAddress';
import { cycle } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';

/** So many programs may fetch the calendar of a school. */
const ADDRESSES = 20;

export const cycleCommands: Runs<'cycle.save' | 'cycle.remove' | 'calendar.open' | 'calendar.close'> = {
  /** Whoever plans last keeps it; who began from an older one is shown both. */
  'cycle.save': async (tx, who, { id, cycle: made, version }) => {
    await inTurn(tx, who, `cycle ${id}`);
    const [now] = await tx.select().from(cycle).where(eq(cycle.id, id));
    await notMeanwhile(tx, made.name, now, version, () => ({ id, cycle: now!.cycle }));
    const [saved] = await tx
      .insert(cycle)
      .values({ schoolId: who.schoolId, id, from: made.from, day: made.day, cycle: made, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [cycle.schoolId, cycle.id],
        set: { from: made.from, day: made.day, cycle: made, ...nextVersion(cycle, who) },
      })
      .returning({ version: cycle.version });
    return { id, version: saved!.version };
  },
  /** The weeks go; classes that were held and evenings that were planned stay. */
  'cycle.remove': async (tx, _who, { id }) => {
    const gone = await tx.delete(cycle).where(eq(cycle.id, id)).returning({ id: cycle.id });
    if (gone.length === 0) throw new Refusal(404, 'These weeks are no longer there.');
    return {};
  },
  'calendar.open': async (tx, who, { id, hash, name }) => {
    await inTurn(tx, who, 'calendar');
    if ((await tx.select({ id: calendarAddress.id }).from(calendarAddress)).length >= ADDRESSES)
      throw new Refusal(409, `There are ${ADDRESSES} addresses already. Take one back that nobody uses.`);
    await tx.insert(calendarAddress).values({ hash, schoolId: who.schoolId, id, name, by: who.personId, at: who.now });
    return { id };
  },
  'calendar.close': async (tx, _who, { id }) => {
    const gone = await tx
      .delete(calendarAddress)
      .where(eq(calendarAddress.id, id))
      .returning({ id: calendarAddress.id });
    if (gone.length === 0) throw new Refusal(404, 'This address was taken back already.');
    return {};
  },
};
