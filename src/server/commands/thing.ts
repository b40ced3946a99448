import { eq, max } from 'drizzle-orm';
import { hall, rank, thing } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { nextVersion, notMeanwhile } from './meanwhile';

export const thingCommands: Runs<'thing.save' | 'thing.remove'> = {
  /** The pieces go with their kind: whoever changed it meanwhile is shown beside one’s own. */
  'thing.save': async (tx, who, { id, thing: kept, version }) => {
    const [now] = await tx.select().from(thing).where(eq(thing.id, id)).for('update');
    await notMeanwhile(tx, now?.thing.name ?? '', now, version, () => ({ id, thing: now!.thing }));
    if (
      kept.hallId !== null &&
      (await tx.select({ id: hall.id }).from(hall).where(eq(hall.id, kept.hallId))).length === 0
    )
      throw new Refusal(409, 'This hall is no longer there.', [
        { path: 'thing.hallId', message: 'Choose another hall.' },
      ]);
    if (
      kept.fromRankId !== null &&
      (await tx.select({ id: rank.id }).from(rank).where(eq(rank.id, kept.fromRankId))).length === 0
    )
      throw new Refusal(409, 'This belt is no longer there.', [
        { path: 'thing.fromRankId', message: 'Choose another belt.' },
      ]);
    const [last] = await tx.select({ position: max(thing.position) }).from(thing);
    const [saved] = await tx
      .insert(thing)
      .values({
        schoolId: who.schoolId,
        id,
        position: (last?.position ?? 0) + 1,
        thing: kept,
        changedBy: who.personId,
      })
      .onConflictDoUpdate({ target: [thing.schoolId, thing.id], set: { thing: kept, ...nextVersion(thing, who) } })
      .returning({ version: thing.version });
    return { id, version: saved!.version };
  },
  'thing.remove': async (tx, _who, { id }) => {
    const gone = await tx.delete(thing).where(eq(thing.id, id)).returning({ id: thing.id });
    if (gone.length === 0) throw new Refusal(404, 'This thing is no longer in the store.');
    return {};
  },
};
