import { isMinor } from '../../core';
import { readLoadRule } from '../../data/queries/loads';
import { loadDone, loadWord, school } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { notAhead } from './days';
import { bornOf, mustBeAllowedToStrike } from './mayStrike';
import { mustBeOnTheRoll } from './onTheRoll';

export const loadCommands: Runs<'load.record' | 'load.allow' | 'load.agree' | 'loadRule.set'> = {
  /** More than allowed is kept and marked: the record says what was, and the rule what follows. */
  'load.record': async (tx, who, { studentId, day, place, done }) => {
    await mustBeOwnStudent(tx, who, studentId);
    await mustBeOnTheRoll(tx, who, studentId);
    notAhead(who, day, 'The day');
    if (done.some((d) => d.count > 0)) await mustBeAllowedToStrike(tx, who, studentId, day, 'done');
    await tx.insert(loadDone).values(
      done.map(({ said, ...d }) => ({
        schoolId: who.schoolId,
        studentId,
        day,
        place,
        ...d,
        ...(said ?? {}),
        by: who.personId,
        at: who.now,
      })),
    );
    return {};
  },
  'load.allow': async (tx, who, { what, ...w }) => {
    await mustBeOnTheRoll(tx, who, w.studentId);
    await tx
      .insert(loadWord)
      .values({ schoolId: who.schoolId, ...w, what, day: who.today, by: who.personId, at: who.now });
    return {};
  },
  'load.agree': async (tx, who, { agreed, guardian, ...w }) => {
    await mustBeOwnStudent(tx, who, w.studentId);
    await mustBeOnTheRoll(tx, who, w.studentId);
    const { born, name } = await bornOf(tx, w.studentId);
    const { ofAge } = await readLoadRule(tx);
    if (!isMinor(born, who.today, ofAge))
      throw new Refusal(409, `${name} is of age and decides alone: nobody is asked.`);
    const said = who.role === 'guardian' ? who.name : guardian;
    if (said === '')
      throw new Refusal(422, 'Which guardian said so?', [{ path: 'guardian', message: 'A name is missing.' }]);
    await tx.insert(loadWord).values({
      schoolId: who.schoolId,
      ...w,
      what: agreed ? 'agreed' : 'refused',
      guardian: said,
      day: who.today,
      by: who.personId,
      at: who.now,
    });
    return {};
  },
  'loadRule.set': async (tx, _who, { rule }) => {
    await tx.update(school).set({ loadRule: rule });
    return {};
  },
};
