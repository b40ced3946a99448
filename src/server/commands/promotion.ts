import { and, eq, sql } from 'drizzle-orm';
import { v7 } from 'uuid';
import type { Transaction } from '../../data/connection';
import { outcome, rankHeld } from '../../data/tables';
import { beltChanceOn } from '../belief/chance';
import type { Mornings } from '../belief/school';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { notAhead } from './days';
import { inTurn } from './inTurn';
import { mustBeOnTheRoll } from './onTheRoll';

/** A belt that is given, or what was decided of it. */
interface Given {
  id: string;
  studentId: string;
  rankId: string;
  day: string;
  note: string;
}

const wornBelt = async (tx: Transaction, studentId: string) =>
  (
    await tx
      .select({ rankId: rankHeld.rankId, since: rankHeld.since })
      .from(rankHeld)
      .where(eq(rankHeld.personId, studentId))
      .orderBy(sql`${rankHeld.since} desc, ${rankHeld.at} desc`)
      .limit(1)
  )[0];

async function giveBelt(tx: Transaction, who: Who, p: Given): Promise<void> {
  const now = await wornBelt(tx, p.studentId);
  if (!now) throw new Refusal(404, 'This student is not on the roll.');
  if (p.day < now.since)
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
}

/** The chance that was believed that day is kept with what was decided, so that both can be compared later. */
async function noteDecision(
  tx: Transaction,
  who: Who,
  o: Given & { passed: boolean },
  mornings?: Mornings,
): Promise<void> {
  const chance = await beltChanceOn(tx, o.studentId, o.rankId, o.day, mornings);
  await tx.insert(outcome).values({ schoolId: who.schoolId, ...o, chance, by: who.personId });
}

const isDecided = async (tx: Transaction, o: Given): Promise<boolean> =>
  (
    await tx
      .select({ id: outcome.id })
      .from(outcome)
      .where(and(eq(outcome.studentId, o.studentId), eq(outcome.rankId, o.rankId), eq(outcome.passed, true)))
  ).length > 0;

/** What a grading decided: the decision with the chance that was believed that morning, and the belt where it was passed. */
export async function recordResult(
  tx: Transaction,
  who: Who,
  r: Omit<Given, 'id'> & { passed: boolean },
  mornings: Mornings,
): Promise<void> {
  await inTurn(tx, who, `person ${r.studentId}`);
  await noteDecision(tx, who, { ...r, id: v7() }, mornings);
  const worn = await wornBelt(tx, r.studentId);
  if (r.passed && worn?.rankId !== r.rankId) await giveBelt(tx, who, { ...r, id: v7() });
}

export const promotionCommands: Runs<'student.promote' | 'outcome.record'> = {
  /**
   * A belt that is given and the decision by which it is given are one act, whichever is written down. It starts the next
   * belt and is never changed; a mistake is struck, and both go back.
   */
  'student.promote': async (tx, who, p) => {
    notAhead(who, p.day, 'The day of a promotion');
    // Twelve at once: the second sees what the first has given.
    await inTurn(tx, who, `person ${p.studentId}`);
    await mustBeOnTheRoll(tx, who, p.studentId, p.day);
    if ((await wornBelt(tx, p.studentId))?.rankId === p.rankId)
      throw new Refusal(409, 'The student wears this belt already.');
    const decided = await isDecided(tx, p);
    await giveBelt(tx, who, p);
    if (!decided) await noteDecision(tx, who, { ...p, id: v7(), passed: true });
    return {};
  },

  'outcome.record': async (tx, who, o) => {
    await inTurn(tx, who, `person ${o.studentId}`);
    await mustBeOnTheRoll(tx, who, o.studentId, o.day);
    notAhead(who, o.day, 'The day of a grading');
    if (o.passed && (await isDecided(tx, o)))
      throw new Refusal(409, 'That this belt was passed is on record already. Strike it first if it was wrong.');
    const worn = await wornBelt(tx, o.studentId);
    await noteDecision(tx, who, o);
    if (o.passed && worn?.rankId !== o.rankId) await giveBelt(tx, who, { ...o, id: v7() });
    return {};
  },
};
