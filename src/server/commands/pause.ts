import { and, eq, sql } from 'drizzle-orm';
import { pause } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { mustBeOnTheRoll } from './onTheRoll';

export const pauseCommands: Runs<'pause.begin' | 'pause.end'> = {
  'pause.begin': async (tx, who, p) => {
    await mustBeOnTheRoll(tx, who, p.studentId);
    await tx.insert(pause).values({ schoolId: who.schoolId, ...p, by: who.personId });
    return {};
  },

  'pause.end': async (tx, _who, { id, until }) => {
    const done = await tx
      .update(pause)
      .set({ until })
      .where(and(eq(pause.id, id), sql`${pause.from} <= ${until}::date`))
      .returning({ id: pause.id });
    if (done.length === 0)
      throw new Refusal(422, 'This rest is not known, or began later than that day.', [
        { path: 'until', message: 'It began later than that day.' },
      ]);
    return {};
  },
};
