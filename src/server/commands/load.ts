import { eq } from 'drizzle-orm';
import { capital, isMinor, mayStrike, mayStrikeInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import { guardianAgreed, NO_LOAD, readLoadRule, readLoads } from '../../data/queries/loads';
import { loadDone, loadWord, person, school } from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { notAhead } from './days';
import { mustBeOnTheRoll } from './onTheRoll';

const bornOf = async (tx: Transaction, id: string): Promise<{ born: string | null; name: string }> => {
  const [p] = await tx.select({ born: person.born, name: person.name }).from(person).where(eq(person.id, id));
  return p ?? { born: null, name: '' };
};

/** Refuses work that hardens for whoever is too young for it, or not asked for yet; what hands say is always taken. */
async function mustBeAllowed(tx: Transaction, who: Who, studentId: string, day: string): Promise<void> {
  const { born, name } = await bornOf(tx, studentId);
  const { rule, ofAge } = await readLoadRule(tx);
  const load = (await readLoads(tx, [studentId])).get(studentId) ?? NO_LOAD;
  const may = mayStrike(born, guardianAgreed(load), rule, ofAge, day);
  if (may.may) return;
  const why = `${name.split(' ')[0] ?? ''}: ${mayStrikeInWords(may, rule, who.today)}`;
  throw new Refusal(409, capital(why), [{ path: 'done', message: why }]);
}

export const loadCommands: Runs<'load.record' | 'load.allow' | 'load.agree' | 'loadRule.set'> = {
  /** More than allowed is kept and marked: the record says what was, and the rule what follows. */
  'load.record': async (tx, who, { studentId, day, place, done }) => {
    await mustBeOwnStudent(tx, who, studentId);
    await mustBeOnTheRoll(tx, who, studentId);
    notAhead(who, day, 'The day');
    if (done.some((d) => d.count > 0)) await mustBeAllowed(tx, who, studentId, day);
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
