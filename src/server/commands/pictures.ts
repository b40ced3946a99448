import { pictureWord } from '../../data/tables';
import { mayAgreeToPictures } from '../auth/mayConsent';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const picturesCommands: Runs<'pictures.agree'> = {
  'pictures.agree': async (tx, who, c) => {
    await mustBeOnTheRoll(tx, who, c.studentId);
    const { most, guardian, because } = await mayAgreeToPictures(tx, who, c.studentId);
    if (c.agreed && most === 0) throw new Refusal(409, because, [{ path: 'agreed', message: because }]);
    // Who says it on their own page says it today; for somebody else it was said on paper, on its day.
    const said = guardian === null ? c : { ...c, day: who.today, guardian: c.agreed ? guardian : '' };
    await tx.insert(pictureWord).values({ schoolId: who.schoolId, ...said, by: who.personId, at: who.now });
    return { id: c.id };
  },
};
