import { and, eq, inArray, isNull, ne, notInArray, sql } from 'drizzle-orm';
import { dayInWords, decideByRule, listInWords } from '../../core';
import type { Transaction } from '../../data/connection';
import {
  readCandidates,
  readDecisions,
  readGrading,
  readPanel,
  readSheetLines,
  sheetLineOf,
  type CandidateRow,
  type GradingRow,
} from '../../data/queries/gradings';
import {
  candidate,
  grading,
  gradingDay,
  gradingDecision,
  panelMember,
  person,
  rank,
  sheetLine,
} from '../../data/tables';
import { mustBeOwnStudent } from '../auth/ownStudent';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';
import { askedAt, letOutResults } from './letOut';
import { nextVersion, notMeanwhile } from './meanwhile';
import { mustBeOnTheRoll } from './onTheRoll';

/** A grading that can still be changed, its turn taken; refused where there is none or it is closed. */
export async function openGrading(tx: Transaction, who: Who, id: string): Promise<GradingRow> {
  await inTurn(tx, who, `grading ${id}`);
  const g = await readGrading(tx, id);
  if (!g) throw new Refusal(404, 'There is no such grading.');
  if (g.closedAt)
    throw new Refusal(409, `The grading of ${dayInWords(g.day, who.today)} is closed: nothing of it changes.`);
  return g;
}

async function candidateOf(tx: Transaction, gradingId: string, studentId: string): Promise<CandidateRow> {
  const [c] = await tx
    .select()
    .from(candidate)
    .where(and(eq(candidate.gradingId, gradingId), eq(candidate.studentId, studentId)));
  if (!c) throw new Refusal(404, 'This student is not put forward at this grading.');
  return c;
}

/** A day is aimed at no longer when no other grading that is open gives belts on it. */
async function noLongerAimedAt(tx: Transaction, g: GradingRow): Promise<void> {
  const others = await tx
    .select({ id: grading.id })
    .from(grading)
    .where(and(eq(grading.day, g.day), ne(grading.id, g.id), isNull(grading.closedAt), isNull(grading.items)));
  if (others.length === 0) await tx.delete(gradingDay).where(eq(gradingDay.day, g.day));
}

type Names =
  | 'grading.save'
  | 'grading.put'
  | 'grading.say'
  | 'grading.out'
  | 'grading.decide'
  | 'grading.close'
  | 'grading.letOut';

export const gradingCommands: Runs<Names> = {
  'grading.save': async (tx, who, { id, panel, version, ...row }) => {
    await inTurn(tx, who, `grading ${id}`);
    const now = await readGrading(tx, id);
    if (now?.closedAt) throw new Refusal(409, 'This grading is closed: nothing of it changes.');
    await notMeanwhile(tx, now?.title ?? '', now, version, async () => ({
      id,
      title: now!.title,
      day: now!.day,
      hallId: now!.hallId,
      rule: now!.rule,
      items: now!.items,
      answerBy: now!.answerBy,
      panel: (await readPanel(tx, id)).map((p) => p.personId),
    }));
    const may = await tx
      .select({ id: person.id })
      .from(person)
      .where(
        and(inArray(person.id, panel), inArray(person.role, ['head', 'instructor', 'examiner']), sql`left_on is null`),
      );
    if (may.length < new Set(panel).size)
      throw new Refusal(422, 'Only teachers and examiners sit on a panel.', [
        { path: 'panel', message: 'Only teachers and examiners sit on a panel.' },
      ]);
    await tx
      .insert(grading)
      .values({ schoolId: who.schoolId, id, ...row, changedBy: who.personId })
      .onConflictDoUpdate({ target: [grading.schoolId, grading.id], set: { ...row, ...nextVersion(grading, who) } });
    const written = await tx
      .selectDistinct({ id: sheetLine.examinerId })
      .from(sheetLine)
      .where(and(eq(sheetLine.gradingId, id), notInArray(sheetLine.examinerId, panel)));
    if (written.length > 0)
      throw new Refusal(409, 'Somebody on the panel has written on their sheet: they stay on it.');
    await tx.delete(panelMember).where(and(eq(panelMember.gradingId, id), notInArray(panelMember.personId, panel)));
    await tx
      .insert(panelMember)
      .values([...new Set(panel)].map((personId) => ({ schoolId: who.schoolId, gradingId: id, personId })))
      .onConflictDoNothing();
    // Looks and forecasts aim at the next day on which the school gives belts.
    if (now && now.day !== row.day) await noLongerAimedAt(tx, now);
    if (row.day >= who.today && row.items === null)
      await tx
        .insert(gradingDay)
        .values({ schoolId: who.schoolId, day: row.day, by: who.personId })
        .onConflictDoNothing();
    return { id };
  },

  'grading.put': async (tx, who, { gradingId, studentId, rankId, reason }) => {
    await openGrading(tx, who, gradingId);
    await mustBeOnTheRoll(tx, who, studentId);
    if (reason !== null && who.role !== 'head')
      throw new Refusal(403, 'Only a head instructor lets somebody go up against what is missing.');
    const known = await tx.select({ id: rank.id }).from(rank).where(eq(rank.id, rankId));
    if (known.length === 0) throw new Refusal(404, 'This belt is not there any more.');
    const row = { rankId, putBy: who.personId, exception: reason, out: null };
    await tx
      .insert(candidate)
      .values({ schoolId: who.schoolId, gradingId, studentId, ...row })
      .onConflictDoUpdate({ target: [candidate.schoolId, candidate.gradingId, candidate.studentId], set: row });
    return {};
  },

  'grading.say': async (tx, who, { gradingId, studentId, yes }) => {
    await openGrading(tx, who, gradingId);
    await mustBeOwnStudent(tx, who, studentId);
    await candidateOf(tx, gradingId, studentId);
    await tx
      .update(candidate)
      .set({ yes, saidBy: who.personId })
      .where(and(eq(candidate.gradingId, gradingId), eq(candidate.studentId, studentId)));
    return {};
  },

  'grading.out': async (tx, who, { gradingId, studentId, reason }) => {
    await openGrading(tx, who, gradingId);
    await candidateOf(tx, gradingId, studentId);
    await tx
      .update(candidate)
      .set({ out: reason })
      .where(and(eq(candidate.gradingId, gradingId), eq(candidate.studentId, studentId)));
    return {};
  },

  'grading.decide': async (tx, who, d) => {
    const g = await openGrading(tx, who, d.gradingId);
    const c = await candidateOf(tx, d.gradingId, d.studentId);
    if (c.out !== null) throw new Refusal(409, 'This candidate is out.');
    const open = (await readPanel(tx, g.id)).filter((p) => p.handedInAt === null);
    if (open.length > 0)
      throw new Refusal(
        409,
        `${listInWords(open.map((p) => p.name))} ${open.length === 1 ? 'has' : 'have'} not handed in yet.`,
      );
    const asked = await askedAt(tx, who, c, g);
    const lines = (await readSheetLines(tx, g.id)).filter((l) => l.studentId === d.studentId);
    const byRule = decideByRule(g.rule, asked.items, lines.map(sheetLineOf)).outcome;
    if (byRule !== d.result && d.reason === null)
      throw new Refusal(422, 'Say why it is not as the rule says.', [
        { path: 'reason', message: 'Say why it is not as the rule says.' },
      ]);
    if (d.result === 'part again' && d.again.length === 0)
      throw new Refusal(422, 'Say what is shown again.', [{ path: 'again', message: 'Say what is shown again.' }]);
    if (d.again.some((r) => !asked.items.some((i) => i.item === r)))
      throw new Refusal(422, 'This belt does not ask for that.', [
        { path: 'again', message: 'This belt does not ask for that.' },
      ]);
    const row = {
      result: d.result,
      byRule,
      reason: byRule === d.result ? null : d.reason,
      again: d.result === 'part again' ? d.again : [],
      againBy: d.result === 'part again' ? d.againBy : null,
      sentence: d.sentence,
      by: who.personId,
      at: who.now,
    };
    await tx
      .insert(gradingDecision)
      .values({ schoolId: who.schoolId, gradingId: g.id, studentId: d.studentId, ...row })
      .onConflictDoUpdate({
        target: [gradingDecision.schoolId, gradingDecision.gradingId, gradingDecision.studentId],
        set: row,
      });
    return {};
  },

  /** From then on nothing of it changes; belts are given and everybody reads their result when it is let out, at once or later. */
  'grading.close': async (tx, who, { id, letOut }) => {
    const g = await openGrading(tx, who, id);
    const up = (await readCandidates(tx, [id])).filter((c) => c.out === null);
    const decisions = new Map((await readDecisions(tx, id)).map((d) => [d.studentId, d]));
    const open = up.filter((c) => !decisions.has(c.studentId));
    if (open.length > 0) {
      const names = await tx
        .select({ name: person.name })
        .from(person)
        .where(
          inArray(
            person.id,
            open.map((c) => c.studentId),
          ),
        );
      throw new Refusal(
        409,
        `Of ${listInWords(
          names.map((n) => n.name),
          5,
        )} nothing is decided yet.`,
      );
    }
    if (g.day > who.today) throw new Refusal(409, 'Its day is still to come.');
    await tx
      .update(grading)
      .set({ closedAt: who.now, ...nextVersion(grading, who) })
      .where(eq(grading.id, id));
    await noLongerAimedAt(tx, g);
    if (letOut) await letOutResults(tx, who, g);
    return {};
  },

  'grading.letOut': async (tx, who, { id }) => {
    await inTurn(tx, who, `grading ${id}`);
    const g = await readGrading(tx, id);
    if (!g) throw new Refusal(404, 'There is no such grading.');
    if (!g.closedAt) throw new Refusal(409, 'Close it first: what is let out does not change any more.');
    if (g.letOutAt) throw new Refusal(409, 'Its results are let out already.');
    await letOutResults(tx, who, g);
    return {};
  },
};
