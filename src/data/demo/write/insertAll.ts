import type { PgTable } from 'drizzle-orm/pg-core';
import { type Transaction } from '../../connection';

const ROWS_AT_ONCE = 2000;

export async function insertAll<T extends PgTable>(tx: Transaction, table: T, rows: T['$inferInsert'][]) {
  for (let i = 0; i < rows.length; i += ROWS_AT_ONCE) await tx.insert(table).values(rows.slice(i, i + ROWS_AT_ONCE));
}
