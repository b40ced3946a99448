import { and, asc, desc, eq, inArray } from 'drizzle-orm';
import type { SheetLine } from '../../core';
import type { Transaction } from '../connection';
import { candidate, grading, gradingDecision, panelMember, person, sheetLine } from '../tables';

export type GradingRow = typeof grading.$inferSelect;
export type CandidateRow = typeof candidate.$inferSelect;
export type SheetRow = typeof sheetLine.$inferSelect;
export type DecisionRow = typeof gradingDecision.$inferSelect;
export interface PanelRow {
  personId: string;
  name: string;
  handedInAt: Date | null;
}

export const readGrading = async (tx: Transaction, id: string): Promise<GradingRow | undefined> =>
  (await tx.select().from(grading).where(eq(grading.id, id)))[0];

export const readGradings = (tx: Transaction): Promise<GradingRow[]> =>
  tx.select().from(grading).orderBy(desc(grading.day), desc(grading.id));

export const readPanel = (tx: Transaction, gradingId: string): Promise<PanelRow[]> =>
  tx
    .select({ personId: panelMember.personId, name: person.name, handedInAt: panelMember.handedInAt })
    .from(panelMember)
    .innerJoin(person, and(eq(person.schoolId, panelMember.schoolId), eq(person.id, panelMember.personId)))
    .where(eq(panelMember.gradingId, gradingId))
    .orderBy(asc(person.name));

/** Who sits on the panel of each of these, without their names. */
export const readPanels = (tx: Transaction, gradingIds: readonly string[]) =>
  tx
    .select({
      gradingId: panelMember.gradingId,
      personId: panelMember.personId,
      handedInAt: panelMember.handedInAt,
    })
    .from(panelMember)
    .where(inArray(panelMember.gradingId, [...gradingIds]));

export const readCandidates = (tx: Transaction, gradingIds: readonly string[]): Promise<CandidateRow[]> =>
  tx
    .select()
    .from(candidate)
    .where(inArray(candidate.gradingId, [...gradingIds]));

/** The newest line of each examiner, candidate and item; of one examiner alone where that is asked. */
export async function readSheetLines(tx: Transaction, gradingId: string, examinerId?: string): Promise<SheetRow[]> {
  const rows = await tx
    .select()
    .from(sheetLine)
    .where(
      examinerId === undefined
        ? eq(sheetLine.gradingId, gradingId)
        : and(eq(sheetLine.gradingId, gradingId), eq(sheetLine.examinerId, examinerId)),
    )
    .orderBy(asc(sheetLine.at), asc(sheetLine.id));
  return [...new Map(rows.map((r) => [`${r.examinerId} ${r.studentId} ${r.requirementId}`, r])).values()];
}

/** A line as the rule reads it. */
export const sheetLineOf = (l: SheetRow): SheetLine => ({
  item: l.requirementId,
  examiner: l.examinerId,
  marks: l.marks,
  word: l.word,
  mark: l.mark,
});

export const readDecisions = (tx: Transaction, gradingId: string): Promise<DecisionRow[]> =>
  tx.select().from(gradingDecision).where(eq(gradingDecision.gradingId, gradingId));
