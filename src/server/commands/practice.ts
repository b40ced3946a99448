import { practice } from '../../data/tables';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';
import { mustBeOwnStudent } from '../ownStudent';
import { notAhead } from './days';

export const practiceCommands: Runs<'practice.record'> = {
  'practice.record': async (tx, who, p) => {
    await mustBeOwnStudent(tx, who, p.studentId);
    await mustBeOnTheRoll(tx, who, p.studentId);
    notAhead(who, p.day, 'The day of practice');
    await tx.insert(practice).values({ schoolId: who.schoolId, ...p, by: who.personId });
    return {};
  },
};
