import { eq } from 'drizzle-orm';
import { gradingDay } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';

export const gradingDayCommands: Runs<'gradingDay.set'> = {
  'gradingDay.set': async (tx, who, { day, graded }) => {
    if (graded) {
      if (day < who.today)
        throw new Refusal(422, 'The next grading is still to come.', [
          { path: 'day', message: 'The next grading is still to come.' },
        ]);
      await tx.insert(gradingDay).values({ schoolId: who.schoolId, day, by: who.personId }).onConflictDoNothing();
    } else await tx.delete(gradingDay).where(eq(gradingDay.day, day));
    return {};
  },
};
