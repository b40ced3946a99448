import { and, eq, ne } from 'drizzle-orm';
import type { CommandInput } from '../../contracts/commands';
import type { Strikable } from '../../contracts/struck';
import { dayInWords, plural } from '../../core';
import type { Transaction } from '../../data/connection';
import { cameToClass } from '../../data/queries/standings';
import {
  adaptation,
  attendance,
  classHeld,
  consent,
  loadDone,
  outcome,
  point,
  practice,
  rank,
  rankHeld,
  struck,
} from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import { takeBackWith } from './certificate';
import { mayChangeClass } from './class';
import type { Runs } from './command';
import { EMPTY, lookToMend, replaceLook } from './mend';

type Strike = CommandInput<'record.strike'>;
/** What is struck, in words, each thing by its id: what follows from a thing goes with it. */
type Found = { kind: Strikable; id: string; says: string }[];

const gone = () => new Refusal(404, 'This is not on record, or was struck already.');
function onlyHead(who: Who): void {
  if (who.role !== 'head') throw new Refusal(403, 'Only a head instructor strikes this.');
}
const nameOfRank = async (tx: Transaction, id: string) =>
  (await tx.select({ name: rank.name }).from(rank).where(eq(rank.id, id)))[0]?.name ?? '';

type Of<K extends Strikable> = (
  tx: Transaction,
  who: Who,
  s: Strike & { kind: K; studentId: string },
) => Promise<Found>;

/** A belt and the decision by which it was given are one thing. */
async function givenWith(
  tx: Transaction,
  who: Who,
  g: { studentId: string; rankId: string; day: string },
): Promise<Found> {
  const name = await nameOfRank(tx, g.rankId);
  const belts = await tx
    .select({ id: rankHeld.id })
    .from(rankHeld)
    .where(and(eq(rankHeld.personId, g.studentId), eq(rankHeld.rankId, g.rankId), eq(rankHeld.since, g.day)));
  const decided = await tx
    .select({ id: outcome.id })
    .from(outcome)
    .where(
      and(
        eq(outcome.studentId, g.studentId),
        eq(outcome.rankId, g.rankId),
        eq(outcome.day, g.day),
        eq(outcome.passed, true),
      ),
    );
  const day = dayInWords(g.day, who.today);
  return [
    ...belts.map(({ id }) => ({ kind: 'promotion' as const, id, says: `${name}, given ${day}` })),
    ...decided.map(({ id }) => ({ kind: 'decision' as const, id, says: `${name}: passed, ${day}` })),
  ];
}

const promotion: Of<'promotion'> = async (tx, who, s) => {
  onlyHead(who);
  const held = await tx.select().from(rankHeld).where(eq(rankHeld.personId, s.studentId));
  const belt = held.find((h) => h.id === s.id);
  if (!belt) throw gone();
  if (held.length === 1) throw new Refusal(409, 'Everybody on the roll wears a belt: this is the only one on record.');
  return givenWith(tx, who, { studentId: s.studentId, rankId: belt.rankId, day: belt.since });
};

const decision: Of<'decision'> = async (tx, who, s) => {
  onlyHead(who);
  const [o] = await tx
    .select()
    .from(outcome)
    .where(and(eq(outcome.id, s.id), eq(outcome.studentId, s.studentId)));
  if (!o) throw gone();
  if (!o.passed) {
    const says = `${await nameOfRank(tx, o.rankId)}: try again, ${dayInWords(o.day, who.today)}`;
    return [{ kind: 'decision', id: o.id, says }];
  }
  const found = await givenWith(tx, who, o);
  const others = await tx
    .select({ id: rankHeld.id })
    .from(rankHeld)
    .where(and(eq(rankHeld.personId, s.studentId), ne(rankHeld.rankId, o.rankId)));
  if (others.length === 0)
    throw new Refusal(409, 'Everybody on the roll wears a belt: this is the only one on record.');
  return found;
};

const adapted: Of<'adaptation'> = async (tx, who, s) => {
  onlyHead(who);
  const [a] = await tx
    .select({ id: adaptation.id, from: adaptation.from, point: point.name })
    .from(adaptation)
    .innerJoin(point, and(eq(point.schoolId, adaptation.schoolId), eq(point.id, adaptation.pointId)))
    .where(and(eq(adaptation.id, s.id), eq(adaptation.studentId, s.studentId)));
  if (!a) throw gone();
  return [{ kind: 'adaptation', id: a.id, says: `${a.point}, adapted from ${dayInWords(a.from, who.today)}` }];
};

const agreed: Of<'consent'> = async (tx, who, s) => {
  onlyHead(who);
  const [c] = await tx
    .select()
    .from(consent)
    .where(and(eq(consent.id, s.id), eq(consent.studentId, s.studentId)));
  if (!c) throw gone();
  return [{ kind: 'consent', id: c.id, says: `Contact: ${c.rung ?? 'none'}, ${dayInWords(c.day, who.today)}` }];
};

/** What was said stops the work, so that nobody strikes their own way out of it. */
const stops = (d: { skin: string | null; swelling: string | null; joints: string | null; feeling: string | null }) =>
  d.skin === 'open' || d.swelling === 'swollen' || d.joints === 'pain' || d.feeling === 'numb';
const BY_HEAD = 'What stops the work is struck by a head instructor only.';

const practised: Of<'practice'> = async (tx, who, s) => {
  if (who.role !== 'head') await mustBeOwnStudent(tx, who, s.studentId);
  if (who.role === 'instructor') onlyHead(who);
  const [p] = await tx
    .select()
    .from(practice)
    .where(and(eq(practice.id, s.id), eq(practice.studentId, s.studentId)));
  if (!p) throw gone();
  if (who.role !== 'head' && (p.hands === 'skin open' || (p.strikes > 0 && p.joints === 'pain')))
    throw new Refusal(403, BY_HEAD);
  return [{ kind: 'practice', id: p.id, says: `${p.minutes} minutes at home, ${dayInWords(p.day, who.today)}` }];
};

/** An entry of strikes: by who wrote it down for their own, or by a head instructor. */
const loaded: Of<'load'> = async (tx, who, s) => {
  if (who.role !== 'head') await mustBeOwnStudent(tx, who, s.studentId);
  if (who.role === 'instructor') onlyHead(who);
  const [d] = await tx
    .select()
    .from(loadDone)
    .where(and(eq(loadDone.id, s.id), eq(loadDone.studentId, s.studentId)));
  if (!d) throw gone();
  if (who.role !== 'head' && (d.by !== who.personId || stops(d))) throw new Refusal(403, BY_HEAD);
  const side = d.side === 'none' ? '' : `, ${d.side}`;
  return [{ kind: 'load', id: d.id, says: `${d.count} ${d.blow}${side}, ${dayInWords(d.day, who.today)}` }];
};

async function strikeClass(tx: Transaction, who: Who, s: Strike): Promise<Found> {
  const [c] = await tx.select().from(classHeld).where(eq(classHeld.id, s.id));
  if (!c) throw gone();
  await mayChangeClass(tx, who, c.day);
  const there = await tx.delete(attendance).where(eq(attendance.classId, s.id)).returning({ id: attendance.personId });
  await cameToClass(
    tx,
    who.schoolId,
    there.map((a) => a.id),
  );
  const people = `${there.length} ${plural(there.length, 'student')}`;
  return [
    { kind: 'class', id: c.id, says: `Class of ${dayInWords(c.day, who.today)}, ${c.minutes} minutes, ${people}` },
  ];
}

const OF_STUDENT: { [K in Exclude<Strikable, 'class' | 'look'>]: Of<K> } = {
  promotion,
  decision,
  adaptation: adapted,
  consent: agreed,
  practice: practised,
  load: loaded,
};

export const strikeCommands: Runs<'record.strike'> = {
  /** Nothing is deleted: what is struck is seen by no reader any more, and kept with who struck it and why. */
  'record.strike': async (tx, who, s) => {
    if (s.kind !== 'practice' && s.kind !== 'load' && (who.role === 'student' || who.role === 'guardian'))
      throw new Refusal(403, 'Ask a teacher to strike this.');
    if (s.kind === 'look') {
      await replaceLook(tx, who, await lookToMend(tx, who, s.id), EMPTY, s.reason);
      return {};
    }
    let found: Found;
    if (s.kind === 'class') found = await strikeClass(tx, who, s);
    else {
      const { kind, studentId } = s;
      if (studentId === null) throw gone();
      found = await OF_STUDENT[kind](tx, who, { ...s, kind, studentId } as never);
    }
    await tx.insert(struck).values(
      found.map((f) => ({
        schoolId: who.schoolId,
        studentId: s.kind === 'class' ? null : s.studentId,
        reason: s.reason,
        by: who.personId,
        at: who.now,
        ...f,
      })),
    );
    await takeBackWith(
      tx,
      who,
      found.filter((f) => f.kind === 'promotion').map((f) => f.id),
      s.reason,
    );
    return { struck: found.map((f) => f.says) };
  },
};
