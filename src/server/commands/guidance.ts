import { and, eq, sql } from 'drizzle-orm';
import type { CommandName } from '../../contracts/commands';
import type { Transaction } from '../../data/connection';
import {
  focusGiven,
  gradingDay,
  guardianOf,
  incident,
  outcome,
  pause,
  person,
  point,
  practice,
} from '../../data/tables';
import { Refusal } from '../http/problem';
import { beltChanceOn } from '../views/beliefs';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { notMeanwhile } from './meanwhile';
import { mustBeOnTheRoll } from './onTheRoll';
import { nextVersion } from './people';

type Mine = Extract<
  CommandName,
  | 'felt.record'
  | 'student.room'
  | `focus.${string}`
  | `practice.${string}`
  | `pause.${string}`
  | `incident.${string}`
  | `outcome.${string}`
  | `gradingDay.${string}`
  | `guardian.${string}`
>;

/** Students write for themselves, guardians for theirs, teachers for everybody. */
async function mayWriteFor(tx: Transaction, who: Who, studentId: string): Promise<void> {
  if (who.role === 'head' || who.role === 'instructor') return;
  if (who.role === 'student' && who.personId === studentId) return;
  if (who.role === 'guardian') {
    const own = await tx
      .select({ id: guardianOf.studentId })
      .from(guardianOf)
      .where(and(eq(guardianOf.guardianId, who.personId), eq(guardianOf.studentId, studentId)));
    if (own.length > 0) return;
  }
  throw new Refusal(403, 'This is another student’s page.');
}

const notAhead = (who: Who, day: string, what: string) => {
  if (day > who.today)
    throw new Refusal(422, `${what} is not in the future.`, [
      { path: 'day', message: `${what} is not in the future.` },
    ]);
};

export const guidanceCommands: Runs<Mine> = {
  /**
   * What a student felt: in their own work, or as the receiver of somebody else's on a day when both were in class. It is
   * a look of its own, told by them, and settles only points of the felt kind.
   */
  'felt.record': async (tx, who, f) => {
    const kinds = await tx.select({ kind: point.kind }).from(point).where(eq(point.id, f.pointId));
    if (kinds[0]?.kind !== 'felt') throw new Refusal(409, 'This point is seen by a watcher, not felt.');
    if (f.studentId !== who.personId) {
      // Whoever was named as the partner; where nobody was, whoever was in class with them.
      const received = await tx.execute<{ n: number }>(sql`
        select count(*)::int as n from look l
        where l.student_id = ${f.studentId}::uuid and l.day >= ${who.today}::date - 3 and l.by <> ${who.personId}::uuid
          and (l.partner_id = ${who.personId}::uuid or (l.partner_id is null and exists (
            select 1 from attendance a join attendance b on b.school_id = a.school_id and b.class_id = a.class_id
              join class_held c on c.school_id = a.school_id and c.id = a.class_id
            where a.school_id = l.school_id and a.person_id = ${who.personId}::uuid and b.person_id = l.student_id
              and c.day = l.day)))`);
      if (received.rows[0]!.n === 0)
        throw new Refusal(403, 'You can say what you felt of somebody whose partner you were in the last days.');
    }
    await mustBeOnTheRoll(tx, who, f.studentId);
    await tx.execute(sql`
      insert into look (school_id, id, student_id, technique_id, condition_id, day, at, side, by)
      values (${who.schoolId}::uuid, ${f.id}::uuid, ${f.studentId}::uuid, ${f.techniqueId}::uuid, ${f.conditionId}::uuid,
        ${who.today}::date, now(), ${f.side}, ${who.personId}::uuid)`);
    await tx.execute(sql`
      insert into mark (school_id, look_id, point_id, kind, held, "of", told_by)
      values (${who.schoolId}::uuid, ${f.id}::uuid, ${f.pointId}::uuid, 'felt', ${f.held}, ${f.of}, ${who.personId}::uuid)`);
    return {};
  },

  'focus.give': async (tx, who, f) => {
    await mustBeOnTheRoll(tx, who, f.studentId);
    await tx.insert(focusGiven).values({ schoolId: who.schoolId, ...f, by: who.personId });
    return {};
  },

  'practice.record': async (tx, who, p) => {
    await mayWriteFor(tx, who, p.studentId);
    await mustBeOnTheRoll(tx, who, p.studentId);
    notAhead(who, p.day, 'The day of practice');
    await tx.insert(practice).values({ schoolId: who.schoolId, ...p, by: who.personId });
    return {};
  },

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

  'incident.record': async (tx, who, i) => {
    notAhead(who, i.day, 'The day of an incident');
    const parties = [i.hurtId, i.chargeId, ...(i.causeId ? [i.causeId] : [])];
    const known = await tx.select({ id: person.id }).from(person);
    const ids = new Set(known.map((p) => p.id));
    if (parties.some((p) => !ids.has(p))) throw new Refusal(409, 'One of these people is not in the school.');
    await tx.insert(incident).values({ schoolId: who.schoolId, ...i, by: who.personId });
    return { id: i.id };
  },

  /** The chance that was believed that day is kept with what was decided, so that both can be compared later. */
  'outcome.record': async (tx, who, o) => {
    await mustBeOnTheRoll(tx, who, o.studentId, o.day);
    notAhead(who, o.day, 'The day of a grading');
    const chance = await beltChanceOn(tx, o.studentId, o.rankId, o.day);
    await tx.insert(outcome).values({ schoolId: who.schoolId, ...o, chance, by: who.personId });
    return {};
  },

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

  'student.room': async (tx, who, { id, version, ...room }) => {
    await mayWriteFor(tx, who, id);
    const now = (await tx.select().from(person).where(eq(person.id, id)).for('update'))[0];
    await notMeanwhile(tx, now?.name ?? '', now, version, () => ({
      id,
      roomWidth: now!.roomWidth,
      roomDepth: now!.roomDepth,
      stature: now!.stature,
    }));
    const done = await tx
      .update(person)
      .set({ ...room, ...nextVersion(who) })
      .where(and(eq(person.id, id), eq(person.role, 'student')))
      .returning({ id: person.id });
    if (done.length === 0) throw new Refusal(404, 'This student is not on the roll.');
    return {};
  },

  /** A guardian with the students they answer for; said again, the list is replaced. */
  'guardian.save': async (tx, who, g) => {
    await inTurn(tx, who, `person ${g.id}`);
    const known = await tx.select().from(person).where(eq(person.id, g.id));
    const wards = await tx.select({ id: guardianOf.studentId }).from(guardianOf).where(eq(guardianOf.guardianId, g.id));
    await notMeanwhile(tx, known[0]?.name ?? '', known[0], g.version, () => ({
      id: g.id,
      name: known[0]!.name,
      studentIds: wards.map((w) => w.id),
    }));
    if (known[0] && known[0].role !== 'guardian')
      throw new Refusal(409, 'This person is on the roll already in another part.');
    const students = await tx.select({ id: person.id }).from(person).where(eq(person.role, 'student'));
    const ids = new Set(students.map((s) => s.id));
    if (g.studentIds.some((s) => !ids.has(s))) throw new Refusal(409, 'One of these students is not on the roll.');
    await tx
      .insert(person)
      .values({ schoolId: who.schoolId, id: g.id, name: g.name, role: 'guardian', changedBy: who.personId })
      .onConflictDoUpdate({ target: [person.schoolId, person.id], set: { name: g.name, ...nextVersion(who) } });
    await tx.delete(guardianOf).where(eq(guardianOf.guardianId, g.id));
    await tx
      .insert(guardianOf)
      .values([...new Set(g.studentIds)].map((studentId) => ({ schoolId: who.schoolId, guardianId: g.id, studentId })));
    return { id: g.id };
  },
};
