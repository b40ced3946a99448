import { focusGiven } from '../../data/tables';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const focusCommands: Runs<'focus.give'> = {
  'focus.give': async (tx, who, f) => {
    await mustBeOnTheRoll(tx, who, f.studentId);
    await tx.insert(focusGiven).values({ schoolId: who.schoolId, ...f, by: who.personId });
    return {};
  },
};
