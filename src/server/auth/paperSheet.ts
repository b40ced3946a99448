import { and, eq, isNull } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { sheetLine } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

const linesOf = (tx: Transaction, gradingId: string, examinerId: string, own: boolean) =>
  tx
    .select({ id: sheetLine.id })
    .from(sheetLine)
    .where(
      and(
        eq(sheetLine.gradingId, gradingId),
        eq(sheetLine.examinerId, examinerId),
        own ? isNull(sheetLine.typedBy) : undefined,
      ),
    )
    .limit(1);

/** Whether an examiner's sheet is typed in from paper: there is something of it, and nothing they wrote themself. */
export const isOnPaper = async (tx: Transaction, gradingId: string, examinerId: string): Promise<boolean> =>
  (await linesOf(tx, gradingId, examinerId, true)).length === 0 &&
  (await linesOf(tx, gradingId, examinerId, false)).length > 0;

/** Teachers type in what an examiner wrote on paper; never beside what that examiner writes on a device of their own. */
export async function mustBeOnPaper(tx: Transaction, who: Who, gradingId: string, examinerId: string): Promise<void> {
  if (who.role !== 'head' && who.role !== 'instructor')
    throw new Refusal(403, 'Only teachers type in the sheet of somebody else.');
  if ((await linesOf(tx, gradingId, examinerId, true)).length > 0)
    throw new Refusal(409, 'This examiner writes on a device of their own: nobody types in for them.');
}
