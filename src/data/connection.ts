import { sql } from 'drizzle-orm';
import { drizzle, type NodePgDatabase } from 'drizzle-orm/node-postgres';
import pg from 'pg';
import * as authTables from './tables/auth';

export type Database = NodePgDatabase & { $client: pg.Pool };
/** One transaction of one school, on one connection. */
export type Transaction = NodePgDatabase & { $client: pg.PoolClient };

/**
 * A pool that outlives a restart of the database: a broken connection is dropped and never fatal, whether it is idle or
 * in the middle of a transaction. Whoever works with it hears of it in the query that fails.
 */
export function openPool(url: string, max = 16): pg.Pool {
  const pool = new pg.Pool({ connectionString: url, max, connectionTimeoutMillis: 10_000 });
  const lost = (error: Error) => {
    if (!pool.ending) console.error('database connection lost:', error.message);
  };
  pool.on('error', lost);
  // The pool listens only to those that are idle: one that is lent out would end the whole process.
  pool.on('connect', (client) => void client.on('error', lost));
  return pool;
}

export const openDatabase = (pool: pg.Pool): Database => drizzle({ client: pool });
export const openAuthDatabase = (pool: pg.Pool) => drizzle({ client: pool, schema: authTables });

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i;

/** A value as a literal of SQL, for texts that go to the server together with others in one round trip. */
export const literal = (value: string | null): string => (value === null ? 'null' : pg.escapeLiteral(value));

/**
 * What is done in one transaction of one school. `first` is said when it begins (the rows handed on are those of its last
 * statement) and `last`, which `work` gives, before it is committed: each in the same round trip as that.
 */
export interface Passage<Row extends pg.QueryResultRow, T> {
  first: string;
  work: (tx: Transaction, rows: Row[]) => Promise<{ value: T; last: string | null }>;
  /** The database then refuses every write. */
  readOnly?: boolean;
}

/**
 * Runs `work` in one transaction that sees and writes the rows of one school only: row-level security compares every
 * row with this setting, which ends with the transaction. Round trips are saved where every mark from every tablet
 * would pay for them.
 */
export async function throughSchool<Row extends pg.QueryResultRow, T>(
  db: Database,
  schoolId: string,
  { first, work, readOnly = false }: Passage<Row, T>,
): Promise<T> {
  if (!UUID.test(schoolId)) throw new Error('this is no id of a school');
  const client = await db.$client.connect();
  try {
    // Several statements in one text come back as a list of results, which the driver's types do not say.
    const begun = (await client.query(
      `begin${readOnly ? ' read only' : ''}; select set_config('app.school', '${schoolId}', true); ${first}`,
    )) as unknown as pg.QueryResult<Row>[];
    const { value, last } = await work(drizzle({ client }), begun.at(-1)?.rows ?? []);
    await client.query(last === null ? 'commit' : `${last}; commit`);
    client.release();
    return value;
  } catch (error) {
    // A connection that cannot roll back is broken and must not go back into the pool.
    await client.query('rollback').then(
      () => client.release(),
      (broken: Error) => client.release(broken),
    );
    throw error;
  }
}

/** Runs `work` in one transaction of one school. */
export const inSchool = <T>(db: Database, schoolId: string, work: (tx: Transaction) => Promise<T>): Promise<T> =>
  throughSchool(db, schoolId, { first: 'select 1', work: async (tx) => ({ value: await work(tx), last: null }) });

let tries = 0;
/** Tries `work` inside a running transaction; if it fails, only what it did is undone and the error is thrown. */
export async function tentatively<T>(tx: Transaction, work: () => Promise<T>): Promise<T> {
  // One may be tried inside another: a name used twice would take back too little.
  const name = sql.identifier(`tentative_${(tries += 1)}`);
  await tx.execute(sql`savepoint ${name}`);
  try {
    const made = await work();
    await tx.execute(sql`release savepoint ${name}`);
    return made;
  } catch (error) {
    await tx.execute(sql`rollback to savepoint ${name}`);
    throw error;
  }
}
