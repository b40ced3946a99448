import { and, eq } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { panelMember } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** Whoever examines at a grading: only they have a sheet there. */
export async function ownSheet(tx: Transaction, who: Who, gradingId: string): Promise<{ handedInAt: Date | null }> {
  const [own] = await tx
    .select({ handedInAt: panelMember.handedInAt })
    .from(panelMember)
    .where(and(eq(panelMember.gradingId, gradingId), eq(panelMember.personId, who.personId)));
  if (!own) throw new Refusal(403, 'You are not on the panel of this grading.');
  return own;
}
