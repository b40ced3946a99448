import { practice } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import type { Runs } from './command';
import { notAhead } from './days';
import { mustBeAllowedToStrike } from './mayStrike';
import { mustBeOnTheRoll } from './onTheRoll';

export const practiceCommands: Runs<'practice.record'> = {
  'practice.record': async (tx, who, p) => {
    await mustBeOwnStudent(tx, who, p.studentId);
    await mustBeOnTheRoll(tx, who, p.studentId);
    notAhead(who, p.day, 'The day of practice');
    if (p.strikes > 0) await mustBeAllowedToStrike(tx, who, p.studentId, p.day, 'strikes');
    await tx.insert(practice).values({ schoolId: who.schoolId, ...p, by: who.personId });
    return {};
  },
};
