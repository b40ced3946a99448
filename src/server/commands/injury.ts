import { injury } from '../../data/tables';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const injuryCommands: Runs<'injury.record'> = {
  /** The same id again changes the day until which the work rests. */
  'injury.record': async (tx, who, i) => {
    await mustBeOnTheRoll(tx, who, i.studentId);
    await tx
      .insert(injury)
      .values({ schoolId: who.schoolId, ...i, by: who.personId })
      .onConflictDoUpdate({
        target: [injury.schoolId, injury.id],
        set: { what: i.what, from: i.from, until: i.until },
      });
    return { id: i.id };
  },
};
