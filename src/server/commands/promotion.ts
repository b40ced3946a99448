import { eq, sql } from 'drizzle-orm';
import { rankHeld } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { mustBeOnTheRoll } from './onTheRoll';

export const promotionCommands: Runs<'student.promote'> = {
  /** A promotion is a fact: it starts the next belt and is never changed; a mistake is put right by another one. */
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
};
