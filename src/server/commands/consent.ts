import { RUNGS } from '../../core';
import { consent } from '../../data/tables';
import { mayConsent } from '../auth/mayConsent';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const consentCommands: Runs<'consent.record'> = {
  'consent.record': async (tx, who, c) => {
    await mustBeOnTheRoll(tx, who, c.studentId);
    const { most, guardian, because } = await mayConsent(tx, who, c.studentId);
    if (c.rung !== null && RUNGS.indexOf(c.rung) + 1 > most)
      throw new Refusal(409, because, [{ path: 'rung', message: because }]);
    // Who says it on their own page says it today; for somebody else it was said on paper, on its day.
    const said = guardian === null ? c : { ...c, day: who.today, guardian: c.rung === null ? '' : guardian };
    await tx.insert(consent).values({ schoolId: who.schoolId, ...said, by: who.personId });
    return { id: c.id };
  },
};
