import { hashPassword } from 'better-auth/crypto';
import { and, eq, ne, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { CommandName } from '../../contracts/commands';
import type { StudentInput } from '../../contracts/people';
import { checkRollLines } from '../../core';
import { tentatively, type Transaction } from '../../data/connection';
import { consent, injury, person, rank, rankHeld } from '../../data/tables';
import { account, session, user } from '../../data/tables/auth';
import { COMMON_PASSWORD, isCommonPassword } from '../auth/passwords';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { notMeanwhile } from './meanwhile';
import { mustBeOnTheRoll } from './onTheRoll';

type Mine = Exclude<
  Extract<
    CommandName,
    `student.${string}` | `teacher.${string}` | `access.${string}` | `consent.${string}` | `injury.${string}`
  >,
  'student.room'
>;

/** The roll's own rules (known belt, possible dates, no doubled name), as for a list that is imported. */
async function checkStudents(tx: Transaction, who: Who, students: readonly StudentInput[]) {
  const ranks = await tx.select({ id: rank.id, name: rank.name }).from(rank);
  const names = new Map(ranks.map((r) => [r.id, r.name]));
  const onTheRoll = await tx
    .select({ name: person.name, born: person.born })
    .from(person)
    .where(sql`${person.leftOn} is null`);
  const lines = students.map((s, i) => ({
    line: i + 1,
    name: s.name,
    rank: names.get(s.rankId) ?? '?',
    born: s.born ?? '',
    since: s.since,
  }));
  return checkRollLines(lines, { ranks, onTheRoll, today: who.today });
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

/** What every save of a person sets besides. */
export const nextVersion = (who: Who) => ({
  version: sql`${person.version} + 1`,
  changedAt: new Date(),
  changedBy: who.personId,
});

const isMinor = (born: string | null, today: string) =>
  born === null || born > `${Number(today.slice(0, 4)) - 18}${today.slice(4)}`;

export const peopleCommands: Runs<Mine> = {
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
      .set({ name, born, ...nextVersion(who) })
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

  /** A promotion is a fact: it starts the next belt and is never changed; a mistake is put right by another one. */
  'consent.record': async (tx, who, c) => {
    await mustBeOnTheRoll(tx, who, c.studentId);
    await tx.insert(consent).values({ schoolId: who.schoolId, ...c, by: who.personId });
    return { id: c.id };
  },

  /** The same id again changes the day until which the work rests. */
  'injury.record': async (tx, who, i) => {
    await mustBeOnTheRoll(tx, who, i.studentId);
    await tx
      .insert(injury)
      .values({ schoolId: who.schoolId, ...i, by: who.personId })
      .onConflictDoUpdate({
        target: [injury.schoolId, injury.id],
        set: { what: i.what, from: i.from, until: i.until },
      });
    return { id: i.id };
  },

  'student.promote': async (tx, who, p) => {
    if (p.day > who.today)
      throw new Refusal(422, 'The day of a promotion is not in the future.', [
        { path: 'day', message: 'The day of a promotion is not in the future.' },
      ]);
    // Twelve at once: the second sees what the first has given.
    await inTurn(tx, who, `person ${p.studentId}`);
    await mustBeOnTheRoll(tx, who, p.studentId, p.day);
    const now = await tx
      .select({ rankId: rankHeld.rankId, since: rankHeld.since })
      .from(rankHeld)
      .where(eq(rankHeld.personId, p.studentId))
      .orderBy(sql`${rankHeld.since} desc, ${rankHeld.at} desc`)
      .limit(1);
    if (!now[0]) throw new Refusal(404, 'This student is not on the roll.');
    if (now[0].rankId === p.rankId) throw new Refusal(409, 'The student wears this belt already.');
    if (p.day < now[0].since)
      throw new Refusal(422, 'The belt worn now was given later than that day.', [
        { path: 'day', message: 'The belt worn now was given later than that day.' },
      ]);
    await tx.insert(rankHeld).values({
      schoolId: who.schoolId,
      id: p.id,
      personId: p.studentId,
      rankId: p.rankId,
      since: p.day,
      note: p.note,
      by: who.personId,
    });
    return {};
  },

  'teacher.save': async (tx, who, t) => {
    if (t.id === who.personId && t.role !== 'head')
      throw new Refusal(409, 'You cannot take the head’s rights from yourself. Another head can.');
    const { version, ...own } = t;
    const known = await tx.select().from(person).where(eq(person.id, t.id)).for('update');
    await notMeanwhile(tx, known[0]?.name ?? '', known[0], version, () => ({
      id: t.id,
      name: known[0]!.name,
      role: known[0]!.role,
    }));
    if (known[0]?.role === 'guardian') throw new Refusal(409, 'This person is in the school as a guardian.');
    if (known[0]?.role === 'student') throw new Refusal(409, 'This person is on the roll as a student.');
    await tx
      .insert(person)
      .values({ schoolId: who.schoolId, ...own, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [person.schoolId, person.id],
        set: { name: t.name, role: t.role, ...nextVersion(who) },
      });
    return { id: t.id };
  },

  /** Gives somebody a sign-in. A new one takes the place of the old, whose sessions end. */
  'access.give': async (tx, who, a) => {
    await inTurn(tx, who, `person ${a.personId}`);
    const found = await tx.select().from(person).where(eq(person.id, a.personId));
    const one = found[0];
    if (!one || one.leftOn !== null) throw new Refusal(404, 'This person is not in the school.');
    if (one.id === who.personId) throw new Refusal(409, 'Change your own password on your own page.');
    if (isCommonPassword(a.password, [one.name, a.email]))
      throw new Refusal(422, COMMON_PASSWORD, [{ path: 'password', message: COMMON_PASSWORD }]);
    if (one.userId) await tx.delete(user).where(eq(user.id, one.userId));
    const id = v7();
    try {
      await tentatively(tx, () =>
        tx.insert(user).values({ id, name: one.name, email: a.email, schoolId: who.schoolId, personId: one.id }),
      );
    } catch {
      // The address may belong to somebody of another school, so we do not say whose it is.
      throw new Refusal(422, 'This address cannot be used here. Take another one.', [
        { path: 'email', message: 'This address cannot be used here. Take another one.' },
      ]);
    }
    await tx.insert(account).values({
      id: v7(),
      userId: id,
      accountId: id,
      providerId: 'credential',
      password: await hashPassword(a.password),
    });
    await tx.update(person).set({ userId: id }).where(eq(person.id, one.id));
    return { guardianFirst: one.role === 'student' && isMinor(one.born, who.today) };
  },

  'access.take': async (tx, who, { personId }) => {
    if (personId === who.personId) throw new Refusal(409, 'You cannot take your own access. Another head can.');
    const done = await tx
      .select({ userId: person.userId })
      .from(person)
      .where(and(eq(person.id, personId), ne(person.id, who.personId)));
    const userId = done[0]?.userId;
    if (!userId) throw new Refusal(404, 'This person has no sign-in.');
    await tx.update(person).set({ userId: null }).where(eq(person.id, personId));
    await tx.delete(user).where(eq(user.id, userId));
    return {};
  },
};

const fieldOf = (wrong: string) => (/birth/.test(wrong) ? 'born' : /belt/i.test(wrong) ? 'since' : 'name');
