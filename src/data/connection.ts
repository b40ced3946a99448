import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as authTables from './tables/auth';
import * as tables from './tables';

export type Database = NodePgDatabase<typeof tables>;
export type Transaction = Parameters<Parameters<Database['transaction']>[0]>[0];

/** A pool that outlives a restart of the database: a broken idle connection is dropped, not fatal. */
export function openPool(url: string, max = 16): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max, connectionTimeoutMillis: 10_000 });
  pool.on('error', (error) => console.error('database connection lost:', error.message));
  return pool;
}

export const openDatabase = (pool: pg.Pool): Database => drizzle({ client: pool, schema: tables });
export const openAuthDatabase = (pool: pg.Pool) => drizzle({ client: pool, schema: authTables });

/**
 * Runs `work` in one transaction that sees and writes the rows of one school only: row-level security compares every
 * row with this setting, which ends with the transaction.
 */
export function inSchool<T>(db: Database, schoolId: string, work: (tx: Transaction) => Promise<T>): Promise<T> {
  return db.transaction(async (tx) => {
    await tx.execute(sql`select set_config('app.school', ${schoolId}, true)`);
    return work(tx);
  });
}
