import { eq, sql } from 'drizzle-orm';
import type { AnyPgColumn } from 'drizzle-orm/pg-core';
import type { Transaction } from '../../data/connection';
import { person } from '../../data/tables';
import { Refusal } from '../http/problem';
import type { Who } from '../who';

/** What several people edit, as it stands now. */
export interface Edited {
  version: number;
  changedAt: Date;
  changedBy: string | null;
}

/**
 * Refuses a save that began from an older version than the one that stands, and sends what stands along, so that both
 * can be shown side by side. `expected` left out: whatever is there is meant, as from a file.
 */
export async function notMeanwhile(
  tx: Transaction,
  name: string,
  now: Edited | undefined,
  expected: number | undefined,
  stands: () => Promise<unknown> | object,
): Promise<void> {
  if (!now || expected === undefined || now.version === expected) return;
  const who = now.changedBy
    ? await tx.select({ name: person.name }).from(person).where(eq(person.id, now.changedBy))
    : [];
  const by = who[0]?.name ?? null;
  throw new Refusal(
    409,
    `${name} was changed meanwhile${by ? ` by ${by}` : ''}. Nothing was written over; see both and choose.`,
    [],
    { meanwhile: { version: now.version, by, at: now.changedAt.toISOString(), now: await stands() } },
  );
}

/** What every save of such a thing sets besides. */
export const nextVersion = (table: { version: AnyPgColumn }, who: Who) => ({
  version: sql`${table.version} + 1`,
  changedAt: new Date(),
  changedBy: who.personId,
});
