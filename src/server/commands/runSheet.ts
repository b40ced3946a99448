import { eq } from 'drizzle-orm';
import { runSheet } from '../../data/tables';
import type { Runs } from './command';
import { openGrading } from './grading';
import { nextVersion, notMeanwhile } from './meanwhile';

export const runSheetCommands: Runs<'runSheet.save'> = {
  /** Whoever laid the day out last keeps it; who began from an older one is shown both. */
  'runSheet.save': async (tx, who, { gradingId, day, version }) => {
    await openGrading(tx, who, gradingId);
    const [now] = await tx.select().from(runSheet).where(eq(runSheet.gradingId, gradingId));
    await notMeanwhile(tx, 'The day', now, version, () => ({ gradingId, day: now!.day }));
    await tx
      .insert(runSheet)
      .values({ schoolId: who.schoolId, gradingId, day, changedBy: who.personId })
      .onConflictDoUpdate({
        target: [runSheet.schoolId, runSheet.gradingId],
        set: { day, ...nextVersion(runSheet, who) },
      });
    return {};
  },
};
