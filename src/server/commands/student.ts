import { and, eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { StudentInput } from '../../contracts/student';
import { checkRollLines } from '../../core';
import { type Transaction } from '../../data/connection';
import { person, rank, rankHeld } from '../../data/tables';
import { session } from '../../data/tables/auth';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { nextVersion, notMeanwhile } from './meanwhile';

/** The roll's own rules (known belt, possible dates, no doubled name), as for a list that is imported. */
async function checkStudents(tx: Transaction, who: Who, students: readonly StudentInput[]) {
  // The belt is known by its id here, whatever it is called.
  const ranks = await tx.select({ id: rank.id, name: rank.id }).from(rank);
  const onTheRoll = await tx
    .select({ name: person.name, born: person.born })
    .from(person)
    .where(sql`${person.leftOn} is null`);
  const lines = students.map((s, i) => ({
    line: i + 1,
    name: s.name,
    rank: s.rankId,
    born: s.born ?? '',
    since: s.since,
  }));
  const there = new Set(ranks.map((r) => r.id));
  return checkRollLines(lines, { ranks, onTheRoll, today: who.today }).map((c, i) =>
    there.has(students[i]!.rankId) ? c : { ...c, takes: false as const, wrong: 'This belt is not there any more.' },
  );
}

async function addStudents(tx: Transaction, { schoolId, personId }: Who, students: readonly StudentInput[]) {
  await tx
    .insert(person)
    .values(students.map((s) => ({ schoolId, id: s.id, name: s.name, role: 'student' as const, born: s.born })));
  await tx.insert(rankHeld).values(
    students.map((s) => ({
      schoolId,
      id: v7(),
      personId: s.id,
      rankId: s.rankId,
      since: s.since,
      by: personId,
      note: 'as entered on the roll',
    })),
  );
}

export const studentCommands: Runs<'student.add' | 'student.change' | 'student.import' | 'student.leave'> = {
  'student.add': async (tx, who, s) => {
    await inTurn(tx, who, 'roll');
    const [checked] = await checkStudents(tx, who, [s]);
    if (checked && !checked.takes)
      throw new Refusal(422, checked.wrong, [{ path: fieldOf(checked.wrong), message: checked.wrong }]);
    await addStudents(tx, who, [s]);
    return { id: s.id };
  },

  'student.change': async (tx, who, { id, name, born, version }) => {
    await inTurn(tx, who, 'roll');
    if (born !== null && born > who.today)
      throw new Refusal(422, 'The date of birth is still to come.', [
        { path: 'born', message: 'The date of birth is still to come.' },
      ]);
    const found = await tx
      .select()
      .from(person)
      .where(and(eq(person.id, id), eq(person.role, 'student')))
      .for('update');
    const now = found[0];
    if (!now) throw new Refusal(404, 'This student is not on the roll.');
    await notMeanwhile(tx, now.name, now, version, () => ({ id, name: now.name, born: now.born }));
    await tx
      .update(person)
      .set({ name, born, ...nextVersion(person, who) })
      .where(eq(person.id, id));
    return { id };
  },

  'student.import': async (tx, who, { students }) => {
    await inTurn(tx, who, 'roll');
    const checked = await checkStudents(tx, who, students);
    const bad = checked.filter((c) => !c.takes);
    if (bad.length > 0)
      throw new Refusal(
        422,
        'The roll has changed meanwhile: some lines cannot be taken any more. Nothing was taken.',
        bad.map((b) => ({ path: `students.${b.line - 1}`, message: b.takes ? '' : b.wrong })),
      );
    await addStudents(tx, who, students);
    return { taken: students.length };
  },

  'student.leave': async (tx, who, { id, left }) => {
    const done = await tx
      .update(person)
      .set({ leftOn: left ? who.today : null })
      .where(and(eq(person.id, id), eq(person.role, 'student')))
      .returning({ userId: person.userId });
    if (done.length === 0) throw new Refusal(404, 'This student is not on the roll.');
    if (left && done[0]?.userId) await tx.delete(session).where(eq(session.userId, done[0].userId));
    return {};
  },
};

const fieldOf = (wrong: string) => (/birth/.test(wrong) ? 'born' : /belt/i.test(wrong) ? 'since' : 'name');
