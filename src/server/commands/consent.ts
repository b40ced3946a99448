import { consent } from '../../data/tables';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const consentCommands: Runs<'consent.record'> = {
  'consent.record': async (tx, who, c) => {
    await mustBeOnTheRoll(tx, who, c.studentId);
    await tx.insert(consent).values({ schoolId: who.schoolId, ...c, by: who.personId });
    return { id: c.id };
  },
};
