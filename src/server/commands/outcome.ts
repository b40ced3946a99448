import { outcome } from '../../data/tables';
import { beltChanceOn } from '../belief/chance';
import type { Runs } from './command';
import { notAhead } from './days';
import { mustBeOnTheRoll } from './onTheRoll';

export const outcomeCommands: Runs<'outcome.record'> = {
  /** The chance that was believed that day is kept with what was decided, so that both can be compared later. */
  'outcome.record': async (tx, who, o) => {
    await mustBeOnTheRoll(tx, who, o.studentId, o.day);
    notAhead(who, o.day, 'The day of a grading');
    const chance = await beltChanceOn(tx, o.studentId, o.rankId, o.day);
    await tx.insert(outcome).values({ schoolId: who.schoolId, ...o, chance, by: who.personId });
    return {};
  },
};
