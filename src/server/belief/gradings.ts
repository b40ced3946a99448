// What is believed, beyond what is judged: the school's pool and habits, chances, corrections and what is worth a look.
import { desc, gte } from 'drizzle-orm';
import { recalibrate, type Outcome } from '../../core';
import type { Transaction } from '../../data/connection';
import { gradingDay, outcome } from '../../data/tables';

/** The next day on which the school grades; null: none is set. */
export async function nextGrading(tx: Transaction, today: string): Promise<string | null> {
  const rows = await tx.select().from(gradingDay).where(gte(gradingDay.day, today)).orderBy(gradingDay.day).limit(1);
  return rows[0]?.day ?? null;
}

/** A school changes; older decisions than so many say nothing of it any more. */
const NEWEST_OUTCOMES = 500;

/** Chances that were believed, with what was decided; those of the first grading have none to learn from. */
export async function pastOutcomes(tx: Transaction): Promise<Outcome[]> {
  const rows = await tx
    .select({ chance: outcome.chance, came: outcome.passed })
    .from(outcome)
    .orderBy(desc(outcome.day))
    .limit(NEWEST_OUTCOMES);
  return rows.flatMap((r) => (r.chance === null ? [] : [{ chance: r.chance, came: r.came }]));
}

/** What a teacher believes once outcomes have spoken. */
export const corrected = (outcomes: readonly Outcome[]) => recalibrate(outcomes);
