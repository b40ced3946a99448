import type pg from 'pg';

/** How often, in how many seconds. */
export interface Limit {
  most: number;
  seconds: number;
}

// One statement, so that forty at the same moment, also on two servers, count as forty.
const ADD = `
  insert into auth.pace as p (key, count, until) values ($1, $2, now() + make_interval(secs => $3))
  on conflict (key) do update set
    count = case when p.until < now() then excluded.count else p.count + excluded.count end,
    until = case when p.until < now() then excluded.until else p.until end
  returning count, extract(epoch from until - now())::int as seconds`;

/** Counts `times` more under a key, in the stretch of time that runs or begins; says how many there are and until when. */
export async function count(
  pool: pg.Pool,
  key: string,
  seconds: number,
  times = 1,
): Promise<{ count: number; seconds: number }> {
  const { rows } = await pool.query<{ count: number; seconds: number }>({
    name: 'count',
    text: ADD,
    values: [key, times, seconds],
  });
  return { count: rows[0]!.count, seconds: Math.max(1, rows[0]!.seconds) };
}

/** Forgets what was counted under keys. */
export async function forget(pool: pg.Pool, keys: readonly string[]): Promise<void> {
  await pool.query('delete from auth.pace where key = any($1)', [keys]);
}

/** Takes away what is over, so that the table stays small. */
export async function sweepCounters(pool: pg.Pool): Promise<void> {
  await pool.query("delete from auth.pace where until < now() - interval '1 hour'");
}
