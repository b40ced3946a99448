import { and, eq, inArray, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { StudentInput } from '../../contracts/student';
import { checkRollLines, listInWords, type RollVerdict } from '../../core';
import { type Transaction } from '../../data/connection';
import { readImports } from '../../data/queries/imports';
import { person, rank, rankHeld, struck } from '../../data/tables';
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
    there.has(students[i]!.rankId)
      ? c
      : { ...c, takes: false as const, amiss: [{ field: 'rank' as const, says: 'This belt is not there any more.' }] },
  );
}

const wrongOf = (c: RollVerdict): string => (c.takes ? '' : c.amiss.map((a) => a.says).join(' '));
/** The field of the form that a cell of the list is. */
const FIELD = { name: 'name', rank: 'rankId', born: 'born', since: 'since' } as const;

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

export const studentCommands: Runs<
  'student.add' | 'student.change' | 'student.import' | 'student.importBack' | 'student.leave'
> = {
  'student.add': async (tx, who, s) => {
    await inTurn(tx, who, 'roll');
    const [checked] = await checkStudents(tx, who, [s]);
    if (checked && !checked.takes)
      throw new Refusal(
        422,
        wrongOf(checked),
        checked.amiss.map((a) => ({ path: FIELD[a.field], message: a.says })),
      );
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
        bad.map((b) => ({ path: `students.${b.line - 1}`, message: wrongOf(b) })),
      );
    await addStudents(tx, who, students);
    return { taken: students.length };
  },

  /** A list that was a mistake goes off the roll as a whole, as long as nothing was added to anybody of it. */
  'student.importBack': async (tx, who, { id }) => {
    await inTurn(tx, who, 'roll');
    const [list] = await readImports(tx, id);
    if (!list) throw new Refusal(404, 'There is no such list.');
    if (list.students.length === 0) throw new Refusal(409, 'This list was taken back already.');
    const touched = list.students.filter((s) => s.touched);
    if (touched.length > 0)
      throw new Refusal(
        409,
        `Something was added to ${listInWords(touched.slice(0, 3).map((s) => s.name))} since${touched.length > 3 ? `, and to ${touched.length - 3} more` : ''}. Nothing was taken back.`,
      );
    const ids = list.students.map((s) => s.id);
    const belts = await tx.select().from(rankHeld).where(inArray(rankHeld.personId, ids));
    await tx.insert(struck).values(
      belts.map((b) => ({
        schoolId: who.schoolId,
        id: b.id,
        kind: 'promotion' as const,
        studentId: b.personId,
        says: 'as entered on the roll',
        reason: 'the list was taken back',
        by: who.personId,
        at: who.now,
      })),
    );
    // Names and birth dates that came by mistake are not kept.
    await tx
      .update(person)
      .set({ name: '—', born: null, leftOn: who.today, ...nextVersion(person, who) })
      .where(inArray(person.id, ids));
    return { back: ids.length };
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
