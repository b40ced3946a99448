import { eq } from 'drizzle-orm';
import type { Transaction } from '../../data/connection';
import { struck } from '../../data/tables';
import { Refusal } from '../http/problem';

/** Refuses what was struck before: it is not written over. */
export async function mustNotBeStruck(tx: Transaction, id: string): Promise<void> {
  const [s] = await tx.select({ reason: struck.reason }).from(struck).where(eq(struck.id, id));
  if (s) throw new Refusal(409, `This was struck: “${s.reason}”. Note it anew if it was right.`);
}
