import { eq } from 'drizzle-orm';
import type { Transaction } from '../connection';
import { sequence, technique } from '../tables';

/** How a technique or sequence is called, where only its id is known. */
export async function readItemName(
  tx: Transaction,
  item: { techniqueId: string | null; sequenceId: string | null },
): Promise<string> {
  if (item.techniqueId !== null) {
    const [t] = await tx.select({ name: technique.name }).from(technique).where(eq(technique.id, item.techniqueId));
    return t?.name ?? '';
  }
  const [s] = await tx
    .select({ body: sequence.body })
    .from(sequence)
    .where(eq(sequence.id, item.sequenceId ?? ''));
  return s?.body.about.title ?? '';
}
