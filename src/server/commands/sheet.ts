import { and, eq } from 'drizzle-orm';
import { candidate, panelMember, sheetLine } from '../../data/tables';
import { ownSheet } from '../auth/ownSheet';
import { isOnPaper, mustBeOnPaper } from '../auth/paperSheet';
import { Refusal } from '../http/problem';
import type { Runs } from './command';
import { openGrading } from './grading';

export const sheetCommands: Runs<'sheet.write' | 'sheet.handIn'> = {
  'sheet.write': async (tx, who, { gradingId, reason, examinerId, ...l }) => {
    const g = await openGrading(tx, who, gradingId);
    if (l.mark !== null && (g.rule.scale === null || l.mark > g.rule.scale.outOf))
      throw new Refusal(
        422,
        g.rule.scale === null
          ? 'This grading goes by words, not by marks.'
          : `Marks go from 0 to ${g.rule.scale.outOf} here.`,
      );
    const of = examinerId ?? who.personId;
    if (of !== who.personId) await mustBeOnPaper(tx, who, gradingId, of);
    const own = await ownSheet(tx, { ...who, personId: of }, gradingId);
    if (own.handedInAt && reason === null)
      throw new Refusal(409, 'Your sheet is handed in: a correction needs its reason.', [
        { path: 'reason', message: 'A correction needs its reason.' },
      ]);
    const up = await tx
      .select({ out: candidate.out })
      .from(candidate)
      .where(and(eq(candidate.gradingId, gradingId), eq(candidate.studentId, l.studentId)));
    if (up.length === 0) throw new Refusal(404, 'This student is not put forward at this grading.');
    await tx.insert(sheetLine).values({
      schoolId: who.schoolId,
      gradingId,
      examinerId: of,
      typedBy: of === who.personId ? null : who.personId,
      ...l,
      reason: own.handedInAt ? reason : null,
      at: who.now,
    });
    return {};
  },

  'sheet.handIn': async (tx, who, { gradingId, examinerId }) => {
    await openGrading(tx, who, gradingId);
    const examiner = examinerId ?? who.personId;
    const typed = examiner !== who.personId && who.role === 'instructor' && (await isOnPaper(tx, gradingId, examiner));
    if (examiner !== who.personId && who.role !== 'head' && !typed)
      throw new Refusal(403, 'Only a head instructor closes the sheet of somebody else.');
    const own = await ownSheet(tx, { ...who, personId: examiner }, gradingId);
    if (own.handedInAt) throw new Refusal(409, 'This sheet is handed in already.');
    await tx
      .update(panelMember)
      .set({ handedInAt: who.now })
      .where(and(eq(panelMember.gradingId, gradingId), eq(panelMember.personId, examiner)));
    return {};
  },
};
