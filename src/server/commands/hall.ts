import { eq } from 'drizzle-orm';
import { classPlan, hall } from '../../data/tables';
import type { Runs } from './command';
import { nextVersion, notMeanwhile } from './meanwhile';

export const hallCommands: Runs<'hall.save' | 'hall.remove'> = {
  'hall.save': async (tx, who, input) => {
    const { id, version, ...row } = input;
    const now = (await tx.select().from(hall).where(eq(hall.id, id)).for('update'))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({
      id,
      name: now!.name,
      width: now!.width,
      depth: now!.depth,
    }));
    await tx
      .insert(hall)
      .values({ schoolId: who.schoolId, id, ...row, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [hall.schoolId, hall.id],
        set: { ...row, ...nextVersion(hall, who) },
      });
    return { id };
  },

  'hall.remove': async (tx, _who, { id }) => {
    await tx.update(classPlan).set({ hallId: null }).where(eq(classPlan.hallId, id));
    await tx.delete(hall).where(eq(hall.id, id));
    return {};
  },
};
