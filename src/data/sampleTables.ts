import pg from 'pg';

/**
 * Lets PostgreSQL sample every table where it never has, so that it knows how many rows there are before it plans to read
 * them: its own rounds come a minute later, and to a copied database never. Without it one view read for most of a minute
 * of a school that had just been filled or brought back from a backup. Says whether it did.
 */
export async function sampleTables(ownerUrl: string, filled = false): Promise<boolean> {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  try {
    const never = await client.query(
      `select 1 from pg_class c join pg_namespace n on n.oid = c.relnamespace
       where c.relkind = 'r' and n.nspname in ('public', 'auth') and c.reltuples < 0 limit 1`,
    );
    const due = filled || never.rows.length > 0;
    if (due) await client.query('analyze');
    return due;
  } finally {
    await client.end();
  }
}
